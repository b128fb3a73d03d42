using System.Text;

namespace Kilnmoor;

/// <summary>A CSV table as the game reads it.</summary>
internal sealed class Table
{
    private readonly bool replaces;
    private readonly List<(string Key, string Do)> rows = [];
    private readonly List<Dictionary<string, string>> values = [];

    private Table(bool replaces) => this.replaces = replaces;

    /// <summary>Reads a file: "unreadable" or "rejected" when the game does not take it.</summary>
    public static (Table? Table, string? Problem) Read(byte[] file, string keyColumn, string? doColumn, params string[] needed)
    {
        if (file.Length > 16 * 1024 * 1024) return (null, "unreadable");
        string text;
        try
        {
            text = new UTF8Encoding(false, true).GetString(file);
        }
        catch (DecoderFallbackException)
        {
            return (null, "unreadable");
        }

        if (text.StartsWith('\uFEFF') || Split(text) is not { } lines) return (null, "unreadable");
        if (lines.Count == 0 || lines[0].Distinct().Count() != lines[0].Count || !lines[0].Contains(keyColumn)) return (null, "rejected");
        if (needed.Any(n => !lines[0].Contains(n))) return (null, "rejected");
        int key = lines[0].IndexOf(keyColumn), deed = doColumn is null ? -1 : lines[0].IndexOf(doColumn);
        var table = new Table(deed < 0);
        foreach (var line in lines.Skip(1))
        {
            if (line.Count != lines[0].Count || line[key].Length == 0) return (null, "rejected");
            if (deed >= 0 && line[deed] is not ("add" or "change" or "remove")) return (null, "rejected");
            table.rows.Add((line[key], deed < 0 ? "add" : line[deed]));
            table.values.Add(lines[0].Zip(line).ToDictionary(c => c.First, c => c.Second, StringComparer.Ordinal));
        }

        return (table, null);
    }

    /// <summary>The rows: their keys, and their values by column.</summary>
    public IEnumerable<(string Key, IReadOnlyDictionary<string, string> Values)> Rows =>
        rows.Zip(values, (r, v) => (r.Key, (IReadOnlyDictionary<string, string>)v));

    /// <summary>Lays the table over keys.</summary>
    public void Over(HashSet<string> keys)
    {
        if (replaces) keys.Clear();
        foreach (var (key, what) in rows)
        {
            if (what == "remove") keys.Remove(key);
            else keys.Add(key);
        }
    }

    /// <summary>Walks the text with one state a character: RFC 4180, lines ended by LF or CR LF.</summary>
    private static List<List<string>>? Split(string text)
    {
        var lines = new List<List<string>>();
        var line = new List<string>();
        var value = new StringBuilder();
        var state = State.Start;
        var normal = text.Replace("\r\n", "\n", StringComparison.Ordinal);
        // Inside quotes a CR LF is part of the value; its form does not matter to any key that the game knows.
        foreach (var c in normal.EndsWith('\n') || normal.Length == 0 ? normal : normal + "\n")
        {
            switch (state)
            {
                case State.Quoted when c == '"':
                    state = State.Closed;
                    break;
                case State.Quoted:
                    value.Append(c);
                    break;
                case State.Closed when c == '"':
                    value.Append(c);
                    state = State.Quoted;
                    break;
                case State.Start when c == '"':
                    state = State.Quoted;
                    break;
                case State.Start or State.Bare or State.Closed when c is ',' or '\n':
                    line.Add(value.ToString());
                    value.Clear();
                    state = State.Start;
                    if (c == ',') break;
                    lines.Add(line);
                    line = [];
                    break;
                case State.Closed:
                    return null;
                case State.Bare or State.Start when c == '"':
                    return null;
                default:
                    value.Append(c);
                    state = State.Bare;
                    break;
            }
        }

        if (state != State.Start || line.Count > 0) return null;
        // Empty lines at the end are no rows.
        while (lines.Count > 0 && lines[^1] is [""]) lines.RemoveAt(lines.Count - 1);
        return lines;
    }

    private enum State
    {
        Start,
        Bare,
        Quoted,
        Closed,
    }
}

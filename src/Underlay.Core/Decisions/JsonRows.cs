using System.Buffers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Decisions;

/// <summary>Decisions as a JSON object with one list of objects: <c>{ "waivers": [ … ] }</c>.</summary>
/// <param name="list">The name of the list.</param>
/// <param name="wants">What an object needs to be read, for people: "path and hash".</param>
/// <param name="read">Reads the object at a pointer of a text; null where it cannot be.</param>
/// <param name="write">The fields of an object.</param>
internal sealed class JsonRows<T>(string list, string wants, Func<JsonText, string, T?> read, Func<T, JsonObject> write) : IRowForm<T>
    where T : class
{
    private static readonly SearchValues<char> Separating = SearchValues.Create("{}[],: \t\r\n\uFEFF");

    /// <inheritdoc/>
    public IReadOnlyList<DecisionRow<T>> Read(byte[] bytes, List<DecisionDamage> damage)
    {
        var text = JsonText.Parse(bytes);
        if (text.Problem is { } problem) return Salvage(bytes, problem, damage);
        if (text.Find($"/{JsonText.Escape(list)}") is not { ValueKind: JsonValueKind.Array } rows)
        {
            damage.Add(new DecisionDamage(text.Locate(""), $"a list “{list}” is wanted"));
            return [];
        }

        var found = new List<DecisionRow<T>>();
        for (var i = 0; i < rows.GetArrayLength(); i++)
        {
            var at = PointerTo(i);
            if (read(text, at) is { } row) found.Add(new DecisionRow<T>(row, () => text.Locate(at)));
            else damage.Add(new DecisionDamage(text.Locate(at), $"row {i + 1} needs {wants}"));
        }

        return found;
    }

    /// <inheritdoc/>
    public byte[] Write(byte[]? before, IReadOnlyList<T> rows, Func<T, string> key)
    {
        var known = new Dictionary<string, JsonObject>(StringComparer.Ordinal);
        var root = before is null ? [] : Nodes(before, (row, node) => known[key(row)] = node);
        var written = rows.Select(r => known.GetValueOrDefault(key(r)) is { } own ? Over(own, write(r)) : write(r)).ToArray();
        root[list] = new JsonArray([.. written]);
        return JsonBytes.OnLines(root);
    }

    /// <summary>
    /// Goes through the objects of a file with the row that each is, and gives what is around them: what it says besides is kept.
    /// </summary>
    private JsonObject Nodes(byte[] bytes, Action<T, JsonObject> take)
    {
        var text = JsonText.Parse(bytes);
        if (text.Problem is not null)
        {
            foreach (var (row, range) in Sound(bytes)) take(row, (JsonObject)JsonNode.Parse(bytes[range])!);
            return [];
        }

        if (JsonNode.Parse(bytes) is not JsonObject root) return [];
        for (var i = 0; i < (root[list] as JsonArray)?.Count; i++)
            if (root[list]![i] is JsonObject node && read(text, PointerTo(i)) is { } row) take(row, node);
        return root;
    }

    private string PointerTo(int row) => $"/{JsonText.Escape(list)}/{row}";

    private static JsonObject Over(JsonObject own, JsonObject fields)
    {
        var over = (JsonObject)own.DeepClone();
        foreach (var (name, value) in fields) over[name] = value?.DeepClone();
        return over;
    }

    /// <summary>The objects that are rows by themselves in a text that cannot be read as a whole.</summary>
    private IEnumerable<(T Row, Range Range)> Sound(byte[] bytes)
    {
        if (TextLimit.FindProblem(bytes.Length) is not null) yield break;
        foreach (var range in JsonSalvage.Objects(bytes))
            if (read(JsonText.Parse(bytes[range]), "") is { } row) yield return (row, range);
    }

    private List<DecisionRow<T>> Salvage(byte[] bytes, TextProblem problem, List<DecisionDamage> damage)
    {
        var found = new List<DecisionRow<T>>();
        var left = new StringBuilder();
        var end = 0;
        foreach (var (row, range) in Sound(bytes))
        {
            var (start, length) = range.GetOffsetAndLength(bytes.Length);
            found.Add(new DecisionRow<T>(row, () => TextPosition.Of(bytes, start)));
            left.Append(Encoding.UTF8.GetString(bytes.AsSpan(end, start - end)));
            end = start + length;
        }

        left.Append(Encoding.UTF8.GetString(bytes.AsSpan(end)));
        damage.Add(new DecisionDamage(problem.At ?? new TextPosition(1, 1), problem.Says, SaysMore(left.ToString())));
        return found;
    }

    /// <summary>True where something stands besides the rows but the list's own name and what separates them.</summary>
    private bool SaysMore(string left)
    {
        var name = $"\"{list}\"";
        var at = left.IndexOf(name, StringComparison.Ordinal);
        var rest = at < 0 ? left : left.Remove(at, name.Length);
        return rest.AsSpan().IndexOfAnyExcept(Separating) >= 0;
    }
}

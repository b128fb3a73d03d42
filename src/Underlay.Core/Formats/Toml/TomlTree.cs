using Tomlyn.Parsing;
using Tomlyn.Syntax;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Formats.Toml;

/// <summary>Where the values of a TOML text stand, by pointer.</summary>
internal sealed class TomlTree
{
    private readonly Dictionary<string, (int Start, int End)> values = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> heads = new(StringComparer.Ordinal);
    private readonly Dictionary<string, int> ends = new(StringComparer.Ordinal);

    private TomlTree()
    {
    }

    /// <summary>Reads a text that is sound.</summary>
    public static TomlTree Read(string text)
    {
        var tree = new TomlTree();
        var document = SyntaxParser.ParseStrict(text, validate: true);
        tree.ends[""] = 0;
        tree.Add("", document.KeyValues, text);
        var arrays = new Dictionary<string, int>(StringComparer.Ordinal);
        foreach (var table in document.Tables)
        {
            var pointer = PointerOf(table, arrays);
            if (table is TableArraySyntax)
            {
                arrays[pointer] = arrays.TryGetValue(pointer, out var last) ? last + 1 : 0;
                pointer += $"/{arrays[pointer]}";
            }

            tree.heads[pointer] = table.Span.Start.Offset;
            tree.ends[pointer] = LineEnd(text, table.Name!.Span.End.Offset);
            tree.Add(pointer, table.Items, text);
        }

        return tree;
    }

    /// <summary>Where a value stands, in characters; null where there is none.</summary>
    public (int Start, int End)? Find(string pointer) => values.TryGetValue(pointer, out var found) ? found : null;

    /// <summary>Where a new line of a table goes: behind its last; null where there is no such table.</summary>
    public int? EndOf(string table) => ends.TryGetValue(table, out var end) ? end : null;

    /// <summary>True where keys of a table are written with dots, and the table has no head of its own.</summary>
    public bool IsDotted(string table) =>
        !heads.ContainsKey(table) && values.Keys.Any(k => k.StartsWith(table + "/", StringComparison.Ordinal));

    /// <summary>Where a pointer's value or table begins; that of the nearest around it where there is none.</summary>
    public int StartOf(string pointer)
    {
        for (var at = pointer; at.Length > 0; at = at[..at.LastIndexOf('/')])
        {
            if (values.TryGetValue(at, out var value)) return value.Start;
            if (heads.TryGetValue(at, out var head)) return head;
        }

        return 0;
    }

    /// <summary>The pointer that a table's name stands for; a table within one of an array lies in the last one so far.</summary>
    private static string PointerOf(TableSyntaxBase table, Dictionary<string, int> arrays)
    {
        var pointer = "";
        foreach (var name in NamesOf(table.Name!))
            pointer = $"{Inside(pointer)}/{JsonText.Escape(name)}";
        return table is TableArraySyntax ? pointer : Inside(pointer);

        string Inside(string array) => arrays.TryGetValue(array, out var last) ? $"{array}/{last}" : array;
    }

    private static string PointerOf(KeySyntax key) => string.Concat(NamesOf(key).Select(n => $"/{JsonText.Escape(n)}"));

    private static IEnumerable<string> NamesOf(KeySyntax key)
    {
        yield return NameOf(key.Key!);
        foreach (var dotted in key.DotKeys) yield return NameOf(dotted.Key!);
    }

    private static string NameOf(BareKeyOrStringValueSyntax name) => name switch
    {
        StringValueSyntax quoted => quoted.Value!,
        BareKeySyntax bare => bare.Key!.Text!,
        _ => name.ToString()!.Trim(),
    };

    private static int LineEnd(string text, int from) =>
        text.IndexOf('\n', Math.Min(from, text.Length)) is >= 0 and var end ? end + 1 : text.Length;

    private void Add(string table, IEnumerable<KeyValueSyntax> lines, string text)
    {
        foreach (var line in lines)
        {
            AddValue(table + PointerOf(line.Key!), line.Value!);
            ends[table] = LineEnd(text, line.Value!.Span.End.Offset);
        }
    }

    private void AddValue(string pointer, ValueSyntax value)
    {
        // The last character of a span belongs to it.
        values[pointer] = (value.Span.Start.Offset, value.Span.End.Offset + 1);
        if (value is InlineTableSyntax inline)
        {
            foreach (var item in inline.Items)
                AddValue(pointer + PointerOf(item.KeyValue!.Key!), item.KeyValue.Value!);
        }
        else if (value is ArraySyntax list)
        {
            var index = 0;
            foreach (var item in list.Items) AddValue($"{pointer}/{index++}", item.Value!);
        }
    }
}

using System.Globalization;
using System.Text;

namespace Underlay.Core.Tests.Formats;

/// <summary>Writes random JSON as people and tools do: odd spacing, both kinds of line ends, escapes, numbers in every form.</summary>
internal sealed class WrittenJson(int seed)
{
    private static readonly string[] Spaces = ["", "", " ", "  ", "\n", "\r\n\t", "\n    "];
    private static readonly string[] Plain =
    [
        "1", "-0", "1.50", "2e3", "-7.25E-2", "true", "false", "null", "\"\"", "\"a\\u00e9b\"", "\"\\\"\\\\ \\n\"", "\"ö, ]}\"",
    ];

    private static readonly string[] Names = ["a", "b", "c/d", "e~", "ö", "x\\u0079"];

    // A test that fails says its seed, and is the same again.
#pragma warning disable CA5394
    private readonly Random random = new(seed);

    public string Write()
    {
        var text = new StringBuilder();
        Object(text, 0);
        return $"{Space()}{text}{Space()}";
    }

    public T Any<T>(IReadOnlyList<T> of) => of[random.Next(of.Count)];

    private string Space() => Any(Spaces);

    private void Value(StringBuilder text, int depth)
    {
        var which = depth > 3 ? 9 : random.Next(10);
        if (which < 3) Object(text, depth + 1);
        else if (which < 5) Array(text, depth + 1);
        else text.Append(Any(Plain));
    }

    private void Object(StringBuilder text, int depth)
    {
        text.Append('{').Append(Space());
        var names = Names.Where(_ => random.Next(2) == 0).ToList();
        foreach (var (i, name) in names.Index())
        {
            text.Append(CultureInfo.InvariantCulture, $"\"{name}\"{Space()}:{Space()}");
            Value(text, depth);
            text.Append(Space()).Append(i < names.Count - 1 ? "," : "").Append(Space());
        }

        text.Append('}');
    }

    private void Array(StringBuilder text, int depth)
    {
        text.Append('[').Append(Space());
        for (var left = random.Next(4); left > 0; left--)
        {
            Value(text, depth);
            text.Append(Space()).Append(left > 1 ? "," : "").Append(Space());
        }

        text.Append(']');
    }
#pragma warning restore CA5394
}

using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Texts;

/// <summary>A text that people see, in all its languages.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Word">The last part of the key, which says what it is.</param>
/// <param name="Owner">The entry or table that is known by it; null where nothing wants it.</param>
/// <param name="File">The table that has it, or in which it would be written.</param>
/// <param name="Layer">Where it is from; null where there is none yet.</param>
/// <param name="Values">What it says, by column.</param>
/// <param name="Below">What the base says at this key, by column; null where it has none.</param>
/// <param name="Originals">The key of a text of the base that says the same about something else, by language.</param>
public sealed record TextLine(
    string Key,
    string Word,
    Placement? Owner,
    PackPath File,
    Layer? Layer,
    IReadOnlyDictionary<string, string> Values,
    IReadOnlyDictionary<string, string>? Below,
    IReadOnlyDictionary<string, string> Originals)
{
    /// <summary>What it says in a language; empty where it says nothing.</summary>
    public string In(string language) => Values.GetValueOrDefault(language, "");
}

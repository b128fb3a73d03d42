using System.Text.Json;
using Underlay.Core.Codebooks;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Server.Packs;

namespace Underlay.Server.Entries;

/// <summary>A value that an entry has from another.</summary>
/// <param name="Title">The other.</param>
internal sealed record TakenView(string Pointer, JsonElement Value, string Title, string Path);

/// <summary>An entry of the pack, in the list of entries.</summary>
/// <param name="Place">The key of its place; null for the manifest.</param>
internal sealed record EntryItem(
    string Path,
    string? Place,
    string Kind,
    string KindTitle,
    string Title,
    ShownPicture? Picture,
    bool IsAccepted);

/// <summary>All entries of the pack.</summary>
/// <param name="HasTexts">The host shows texts of packs.</param>
/// <param name="HasRecipes">The host has recipes.</param>
/// <param name="HasScript">Entries of the host play sounds on signals.</param>
internal sealed record EntryList(long Revision, IReadOnlyList<EntryItem> Entries, bool HasTexts, bool HasRecipes, bool HasScript);

/// <summary>What a field may name.</summary>
/// <param name="Value">What is written in the field.</param>
/// <param name="Name">What people call it.</param>
/// <param name="Picture">What it looks like, or null.</param>
/// <param name="FromPack">Whether it is the pack's.</param>
/// <param name="Sound">A path of the pack or the base at which it can be heard, or null.</param>
/// <param name="Group">The group of a code; empty for none.</param>
internal sealed record Choice(
    string Value,
    string Name,
    ShownPicture? Picture,
    bool FromPack,
    string? Sound = null,
    string Group = "");

/// <summary>What the base's entries have in a field.</summary>
internal sealed record Sibling(string Title, string Path, JsonElement Value);

/// <summary>Fields that an entry takes over from another.</summary>
/// <param name="By">Pointer to the field that names the other.</param>
/// <param name="Required">Pointers to fields that are needed, own or taken over.</param>
internal sealed record InheritanceView(string By, IReadOnlyList<string> Required);

/// <summary>Numbers that an object has beside the field that names its type.</summary>
/// <param name="Field">Pointer to the object; <c>*</c> stands for every item of a list.</param>
/// <param name="By">The object's field with the type.</param>
/// <param name="Types">The parameters of each type.</param>
internal sealed record ParametersView(string Field, string By, IReadOnlyDictionary<string, IReadOnlyList<Parameter>> Types)
{
    /// <summary>Those of a place.</summary>
    public static IReadOnlyList<ParametersView> Of(PackSnapshot snapshot, Place? place) =>
        place is not null && snapshot.Overlay is { } overlay
            ?
            [
                .. place.RulesOf<ParametersRule>(snapshot.Edition).Select(
                    r => new ParametersView(
                        r.Field,
                        r.By,
                        Parameter.By(r, overlay.Codebook(r.Codebook))
                            .ToDictionary(g => g.Key, g => (IReadOnlyList<Parameter>)[.. g], StringComparer.Ordinal))),
            ]
            : [];
}

/// <summary>
/// One entry, table or index: its text, what its kind says of each field, what fields may name, and the base's entries beside it.
/// </summary>
/// <param name="Language">json, toml, csv or xml.</param>
/// <param name="Choices">By pointer: what a field may name.</param>
/// <param name="Keys">What keys of the entry itself may be, where they are codes; else null.</param>
/// <param name="Own">Pointers to fields whose value is this entry's alone, such as its id.</param>
/// <param name="Name">Its name in its path, by which it may be renamed, and another made like it; null where it has none.</param>
/// <param name="Taken">What it has from the entries that it takes fields over from.</param>
/// <param name="Parameters">Objects that have numbers by their type.</param>
/// <param name="Sketch">What of it can be drawn.</param>
/// <param name="Later">
/// Pointers to values that are marked to be set later and are still as they were; an empty one for the entry as a whole.
/// </param>
/// <param name="Below">The base's at the same path; null where it has none that can be read.</param>
/// <param name="Table">What the columns of a table are, and the base's rows; null for all else.</param>
internal sealed record EntryView(
    long Revision,
    string Path,
    string Title,
    string? Hash,
    string Kind,
    string KindTitle,
    string Language,
    JsonElement Schema,
    string Text,
    IReadOnlyDictionary<string, IReadOnlyList<Choice>> Choices,
    IReadOnlyList<Choice>? Keys,
    InheritanceView? Inherits,
    IReadOnlyList<string> Own,
    string? Name,
    IReadOnlyList<Sibling> Siblings,
    IReadOnlyList<TakenView> Taken,
    IReadOnlyList<ParametersView> Parameters,
    SketchView Sketch,
    IReadOnlyList<string> Later,
    JsonElement? Below,
    TableView? Table);

/// <summary>A text to be judged as if it stood in the pack.</summary>
internal sealed record JudgeRequest(string Path, string Text);

/// <summary>What the host would not accept in an entry.</summary>
/// <param name="Pointer">Where; for a field that is missing, where it would stand.</param>
/// <param name="Line">Null for what is missing.</param>
internal sealed record FaultView(string Pointer, string Says, int? Line, int? Column);

/// <summary>What a text is worth.</summary>
internal sealed record Judgement(bool IsReadable, IReadOnlyList<FaultView> Faults);

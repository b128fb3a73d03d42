using System.Globalization;
using System.Text;
using Underlay.Core.Entries;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;

namespace Underlay.Core.Fixes;

/// <summary>
/// Sets a field of a JSON entry to another value; all else stays as the author wrote it. One of the base's is brought into the pack
/// first.
/// </summary>
/// <param name="Path">The entry.</param>
/// <param name="Field">Pointer to the field.</param>
/// <param name="Json">The value as JSON.</param>
/// <param name="Shown">The value as people read it.</param>
/// <param name="LeavesNoChoice">False when another value would do as well.</param>
public sealed record SetField(PackPath Path, string Field, string Json, string Shown, bool LeavesNoChoice)
    : Fix($"Set {FieldName.Quote(Field)} to {Shown}", LosesNothing: false, LeavesNoChoice)
{
    /// <summary>Sets a text.</summary>
    public static SetField To(PackPath path, string field, string text, bool leavesNoChoice = true) =>
        new(path, field, Encoding.UTF8.GetString(JsonEdit.Text(text)), text, leavesNoChoice);

    /// <summary>Sets a number.</summary>
    public static SetField To(PackPath path, string field, double number, bool leavesNoChoice = true)
    {
        var digits = number.ToString(CultureInfo.InvariantCulture);
        return new SetField(path, field, digits, digits, leavesNoChoice);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<TreeEdit> Edit(FileTree tree, FixContext context) =>
        (tree.Find(Path)?.ReadAll() ?? context.Overlay?.Base.Read(Path)) is { } bytes
            && JsonText.Parse(bytes) is { Problem: null, Root.ValueKind: System.Text.Json.JsonValueKind.Object } text
            ? [new TreeEdit.Write(Path, JsonEdit.Set(text, Field, Encoding.UTF8.GetBytes(Json)))]
            : [];
}

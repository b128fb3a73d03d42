using Underlay.Core.BaseFiles;
using Underlay.Core.Decisions;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>
/// A file or a value only holds a place until the author's own comes: it was brought from the base, or marked for later, and is as it was.
/// </summary>
/// <remarks>Host: shows what it holds. See docs/checks.md#packplaceholder.</remarks>
public sealed class PlaceholderLeft : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("pack/placeholder");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Pack;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay) => HeldFiles(overlay).Concat(HeldValues(overlay));

    private IEnumerable<Finding> HeldFiles(Overlay overlay)
    {
        foreach (var held in PlaceholderFiles.Read(overlay.Pack.Tree).Values.OrderBy(h => h.Path))
        {
            if (!overlay.Pack.Facts.TryGetValue(held.Path, out var facts) || facts.Hash != held.Hash) continue;
            yield return new Finding
            {
                Code = Code,
                Severity = Severity.Note,
                Path = held.Path.Value,
                Message = held.From == held.Path.Value
                    ? "It was brought from the base to be changed, and is still as it was."
                    : $"It holds the place with a copy of {held.From}, until yours comes.",
                Saw = new Dictionary<PackPath, ContentHash> { [held.Path] = held.Hash },
                Covers = ["pack/same-as-other"],
                Shared = new Many(),
            };
        }
    }

    private IEnumerable<Finding> HeldValues(Overlay overlay)
    {
        foreach (var marks in LaterValues.Read(overlay.Pack.Tree))
        {
            if (!overlay.Pack.Facts.TryGetValue(marks.Key, out var facts) || facts.Entry?.Text is not { } entry) continue;
            foreach (var (held, pointer) in LaterValues.Standing(entry, marks)) yield return Told(held, pointer, facts, entry);
        }
    }

    private Finding Told(LaterValue held, string pointer, FileFacts facts, JsonText entry)
    {
        var at = entry.Locate(pointer);
        return new Finding
        {
            Code = Code,
            Severity = Severity.Note,
            Path = held.Path.Value,
            Pointer = pointer,
            At = pointer.Length > 0 ? at : null,
            Message = pointer.Length > 0
                ? $"{FieldName.Quote(pointer).Capitalised()} is marked to be set later, and is still as it was ({at})."
                : "It is marked to be finished later.",
            Saw = new Dictionary<PackPath, ContentHash> { [held.Path] = facts.Hash },
        };
    }

    private sealed record Many() : SharedCause("", "")
    {
        public override string Says(IReadOnlyList<Finding> parts) =>
            $"{parts.Count} files are placeholders: copies of the base’s that are still as they were.";

        public override Fix? FindFix(IReadOnlyList<Finding> parts) => null;
    }
}

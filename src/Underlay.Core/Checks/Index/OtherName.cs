using Underlay.Core.BaseFiles;
using Underlay.Core.Codebooks;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;
using Underlay.Core.Fixes;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A row of the index has a code, and the name of the file that it names reads as another.</summary>
/// <remarks>Host: shows the picture for what the row says. See docs/checks.md#indexother-name.</remarks>
public sealed class OtherName : Check
{
    /// <inheritdoc/>
    public override CheckCode Code => new("index/other-name");

    /// <inheritdoc/>
    public override CheckScope Scope => CheckScope.Structure;

    /// <inheritdoc/>
    public override IEnumerable<Finding> Inspect(Overlay overlay)
    {
        foreach (var index in IndexRows.Of(overlay))
            foreach (var row in index.Facts.Index!.Rows)
            {
                var words = WordsOf(row);
                foreach (var (level, code) in index.Place.Index!.Levels.Zip(row.Codes))
                    if (level.Identifies && FindOther(overlay.Codebook(level.Codebook), code, words) is { } other)
                        yield return Describe(overlay, index, row, level, code, other);
            }
    }

    /// <summary>
    /// The code of which a name speaks in place of the one in the row; null where it speaks of that one too, or of none clearly.
    /// </summary>
    private static string? FindOther(Codebook book, string code, IReadOnlyList<string> words)
    {
        if (!book.Has(code)) return null;
        var best = book.Spoken.Best(words);
        return best is [{ Share: 1 } only] && only.Code != code && !Speaks(book, code, words) ? only.Code : null;
    }

    /// <summary>True when all that the code's own name says stands in the words too: "adult winter" is not only one of them.</summary>
    private static bool Speaks(Codebook book, string code, IReadOnlyList<string> words) =>
        words.Contains(code)
            || book.Also.Any(a => a.Value == code && words.Contains(a.Key))
            || NameWords.Of(book.NameOf(code)).Words.All(words.Contains);

    private Finding Describe(Overlay overlay, Placement index, IndexRow row, IndexLevel level, string code, string other)
    {
        var book = overlay.Codebook(level.Codebook);
        return Report(
            overlay,
            index,
            Consequence.Regret,
            $"{row.File} stands for {book.NameOf(code)} ({code}) here (line {row.At.Line}), and its name reads as {book.NameOf(other)} "
                + $"({other}).") with
        {
            Path = IndexRows.PathOf(index, row),
            Discriminator = $"{row.At}/{level.Element}",
            At = row.At,
            // A row’s own code is a word in it; a code around it is changed where all that stands in it speaks of the other.
            Fix = level == index.Place.Index!.Levels[^1]
                ? new SetRowCode(index.Path, index.Place.Index, row.File, other, book.NameOf(other))
                : IsAllOf(overlay, index, level, code, other)
                ? new RecodeIndex(index.Path, level.Element, level.Code, code, other, LeavesNoChoice: false)
                : null,
        };
    }

    /// <summary>True where every row below a code speaks of another, which stands nowhere yet.</summary>
    private static bool IsAllOf(Overlay overlay, Placement index, IndexLevel level, string code, string other)
    {
        var book = overlay.Codebook(level.Codebook);
        var at = index.Place.Index!.Levels.ToList().IndexOf(level);
        var rows = index.Facts.Index!.Rows;
        return rows.All(r => r.Codes[at] != other)
            && rows.Where(r => r.Codes[at] == code).All(r => FindOther(book, code, WordsOf(r)) == other);
    }

    private static IReadOnlyList<string> WordsOf(IndexRow row) =>
        PackPath.TryParse(row.File, out var file, out _)
            ? NameWords.Of(file.FileName[..Math.Max(1, file.FileName.LastIndexOf('.'))]).Words
            : [];
}

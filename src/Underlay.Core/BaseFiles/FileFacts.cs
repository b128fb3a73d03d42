using Underlay.Core.Entries;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.BaseFiles;

/// <summary>
/// What is known of one file's bytes: a pure function of the bytes and of what the place reads them as,
/// and so cached by hash.
/// </summary>
/// <param name="Hash">SHA-256 of the bytes.</param>
/// <param name="Length">Bytes.</param>
/// <param name="Picture">Given where the place reads pictures.</param>
/// <param name="Entry">Given where the place reads entries.</param>
/// <param name="Table">Given where the place reads tables.</param>
/// <param name="Index">Given where the place reads an index.</param>
public sealed record FileFacts(
    ContentHash Hash,
    long Length,
    PictureFacts? Picture,
    EntryFacts? Entry,
    TableFacts? Table = null,
    IndexFacts? Index = null)
{
    /// <summary>Why a host cannot read the file, as the end of a sentence; null when it can.</summary>
    public string? Unreadable =>
        Picture?.Problem ?? (Entry?.Text.Problem is { } text ? $"{text.Says} ({text.At})" : null) ?? Table?.Problem ?? Index?.Problem;

    /// <summary>What a host does not accept in a file that it can read.</summary>
    public IReadOnlyList<EntryFault> Faults => Entry?.Faults ?? Table?.Faults ?? Index?.Faults ?? [];
}

/// <summary>An entry as text and as its kind judges it.</summary>
/// <param name="Text">The JSON, or its problem.</param>
/// <param name="Faults">What the kind does not accept; empty when it accepts the entry, or when it cannot be read.</param>
public sealed record EntryFacts(JsonText Text, IReadOnlyList<EntryFault> Faults)
{
    /// <summary>True when a host can read the entry and accepts its fields.</summary>
    public bool IsAccepted => Text.Problem is null && Faults.Count == 0;

    /// <summary>Reads and judges an entry.</summary>
    public static EntryFacts Of(byte[] bytes, Kind kind)
    {
        var text = JsonText.Parse(bytes);
        return new EntryFacts(text, text.Problem is null ? kind.Judge(text) : []);
    }
}

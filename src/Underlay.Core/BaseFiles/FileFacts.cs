using Underlay.Core.Entries;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;
using Underlay.Core.Packs;

namespace Underlay.Core.BaseFiles;

/// <summary>
/// What is known of one file's bytes: a pure function of the bytes and of what the place reads them as,
/// and so cached by hash.
/// </summary>
/// <param name="Hash">SHA-256 of the bytes.</param>
/// <param name="Length">Bytes.</param>
/// <param name="Content">What is known of its content; null for a file outside every place, and for one at which we failed.</param>
public sealed record FileFacts(ContentHash Hash, long Length, ContentFacts? Content)
{
    /// <summary>What we failed with; null where the file was read, whatever was found.</summary>
    public Exception? Fault { get; init; }

    /// <summary>Given where the place reads pictures.</summary>
    public PictureFacts? Picture => Content as PictureFacts;

    /// <summary>Given where the place reads sounds.</summary>
    public SoundFacts? Sound => Content as SoundFacts;

    /// <summary>Given where the place reads entries.</summary>
    public EntryFacts? Entry => Content as EntryFacts;

    /// <summary>Given where the place reads tables.</summary>
    public TableFacts? Table => Content as TableFacts;

    /// <summary>Given where the place reads an index.</summary>
    public IndexFacts? Index => Content as IndexFacts;

    /// <summary>Why a host cannot read the file; null when it can.</summary>
    public TextProblem? Unreadable => Content?.Unreadable;

    /// <summary>What a host does not accept in a file that it can read.</summary>
    public IReadOnlyList<EntryFault> Faults => Content?.Faults ?? [];
}

/// <summary>An entry as text and as its kind judges it.</summary>
/// <param name="Text">The JSON, or its problem.</param>
/// <param name="Faults">What the kind does not accept; empty when it accepts the entry, or when it cannot be read.</param>
public sealed record EntryFacts(JsonText Text, IReadOnlyList<EntryFault> Faults) : ContentFacts
{
    /// <inheritdoc/>
    public override TextProblem? Unreadable => Text.Problem;

    /// <inheritdoc/>
    public override IReadOnlyList<EntryFault> Faults { get; } = Faults;

    /// <summary>True when a host can read the entry and accepts its fields.</summary>
    public bool IsAccepted => Text.Problem is null && Faults.Count == 0;

    /// <summary>Reads and judges an entry.</summary>
    public static EntryFacts Of(byte[] bytes, Kind kind)
    {
        var text = JsonText.Parse(bytes);
        return new EntryFacts(text, text.Problem is null ? kind.Judge(text) : []);
    }
}

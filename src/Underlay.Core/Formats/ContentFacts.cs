namespace Underlay.Core.Formats;

/// <summary>Why a host cannot read a file.</summary>
/// <param name="At">Where in a text; null where that is not known, or the file is no text.</param>
/// <param name="Says">What, as the end of a sentence: "it is not UTF-8".</param>
public sealed record TextProblem(TextPosition? At, string Says)
{
    /// <summary>What and where: "it is not UTF-8 (line 3, column 1)".</summary>
    public override string ToString() => At is { } at ? $"{Says} ({at})" : Says;
}

/// <summary>Something that a host does not accept in a file that it can read.</summary>
/// <param name="Pointer">The value's place in an entry; for a missing field, the object that lacks it.</param>
/// <param name="Field">The missing field, or empty.</param>
/// <param name="Says">What is wanted and what is there, as a sentence without its full stop.</param>
/// <param name="At">Where in the text, where no pointer says it.</param>
public sealed record EntryFault(string Pointer, string Field, string Says, TextPosition? At = null);

/// <summary>What is known of the content of a file, as one kind of content.</summary>
public abstract record ContentFacts
{
    /// <summary>Why a host cannot read it; null when it can.</summary>
    public abstract TextProblem? Unreadable { get; }

    /// <summary>What a host does not accept in it.</summary>
    public virtual IReadOnlyList<EntryFault> Faults => [];
}

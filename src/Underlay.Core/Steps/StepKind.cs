namespace Underlay.Core.Steps;

/// <summary>What an author sets in a field of a step.</summary>
public enum StepInput
{
    /// <summary>A whole number.</summary>
    Whole,

    /// <summary>A number with one digit behind the point.</summary>
    Tenths,

    /// <summary>True or false.</summary>
    Flag,

    /// <summary>One of several words.</summary>
    Choice,

    /// <summary>A colour, "#rrggbb".</summary>
    Colour,

    /// <summary>A text.</summary>
    Text,
}

/// <summary>A word that a field may have, and what it means.</summary>
public sealed record StepChoice(string Word, string Says);

/// <summary>A field of a step as an author may set it.</summary>
/// <param name="Name">Its name in files.</param>
/// <param name="Title">Its name for people.</param>
/// <param name="Input">What is set.</param>
/// <param name="Least">For numbers.</param>
/// <param name="Most">For numbers.</param>
/// <param name="Unit">For numbers: "pixels"; empty for none.</param>
/// <param name="Choices">For choices.</param>
public sealed record StepField(
    string Name,
    string Title,
    StepInput Input,
    int Least = 0,
    int Most = 0,
    string Unit = "",
    IReadOnlyList<StepChoice>? Choices = null);

/// <summary>A type of step: its word in files, its fields, and how one is read.</summary>
/// <param name="Word">The word.</param>
/// <param name="Fields">What an author may set.</param>
/// <param name="Read">The step that stands at the reader; null where it cannot be read.</param>
public sealed record StepKind(string Word, IReadOnlyList<StepField> Fields, Func<StepReader, Step?> Read);

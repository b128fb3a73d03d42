using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Checks;
using Underlay.Core.Steps;
using Underlay.Server.Files;
using Underlay.Server.Findings;

namespace Underlay.Server.Pictures;

/// <summary>One side of a comparison.</summary>
internal sealed record PictureSide(string Hash, Size? Size, long Length, string? Problem);

/// <summary>The picture of another thing, of which this one was made.</summary>
/// <param name="IsYours">It is the pack's, and not the base's.</param>
internal sealed record LikeSide(string Path, bool IsYours, PictureSide Picture);

/// <summary>A step with its words and the size that it leads to.</summary>
/// <param name="Step">As packs keep it: its word under "do", and its fields.</param>
/// <param name="Size">Null from a step on that is not known.</param>
/// <param name="IsKnown">Whether this Underlay knows the step; else it is kept and nothing runs from it on.</param>
internal sealed record StepPlate(JsonObject Step, string Title, Size? Size, bool IsKnown);

/// <summary>A step that could be added, as words to press.</summary>
internal sealed record StepOfferView(string Title, JsonObject Step);

/// <summary>A word that a field of a step may have.</summary>
internal sealed record StepChoiceView(string Word, string Says);

/// <summary>A field of a step that an author may set.</summary>
/// <param name="Input">whole, tenths, flag, choice or colour.</param>
internal sealed record StepFieldView(
    string Name,
    string Title,
    string Input,
    int Least,
    int Most,
    string Unit,
    IReadOnlyList<StepChoiceView> Choices)
{
    public static StepFieldView Of(StepField field) =>
        new(
            field.Name,
            field.Title,
            field.Input.ToString().ToLowerInvariant(),
            field.Least,
            field.Most,
            field.Unit,
            [.. (field.Choices ?? []).Select(c => new StepChoiceView(c.Word, c.Says))]);
}

/// <summary>A type of step and what of it can be set.</summary>
internal sealed record StepKindView(string Do, IReadOnlyList<StepFieldView> Fields)
{
    public static IReadOnlyList<StepKindView> OfAll(IEnumerable<StepKind> kinds) =>
        [.. kinds.Select(k => new StepKindView(k.Word, [.. k.Fields.Select(StepFieldView.Of)]))];
}

/// <summary>A picture beside its base, what its place asks, and the steps that lead to it.</summary>
/// <param name="StandsFor">What an index ties the picture to, in words; null where nothing does.</param>
/// <param name="Like">What it was made like, where the base has nothing at its path.</param>
/// <param name="StepsProblem">Why the picture's steps cannot be shown or run; null where they can.</param>
internal sealed record PictureView(
    long Revision,
    string Path,
    string Title,
    string Noun,
    string Place,
    string PlaceTitle,
    string? StandsFor,
    PictureSide? Base,
    LikeSide? Like,
    PictureSide? Yours,
    IReadOnlyList<RuleSentence> Rules,
    IReadOnlyList<FindingView> Findings,
    PictureSide? Source,
    IReadOnlyList<StepPlate> Steps,
    string? StepsProblem,
    IReadOnlyList<StepOfferView> Offers,
    IReadOnlyList<StepKindView> Kinds);

/// <summary>The steps that a picture is to have, in order, each as packs keep it.</summary>
internal sealed record StepsRequest(string Path, IReadOnlyList<JsonElement> Steps);

/// <summary>What came of a new source.</summary>
/// <param name="AsResult">It was taken for what the steps made, drawn on further, and not run through them again.</param>
internal sealed record SourceTaken(long Revision, bool AsResult);

using System.Text.Json.Nodes;

namespace Underlay.Core.Steps;

/// <summary>
/// A step that this Underlay does not know, or whose fields it cannot read: it is kept as it stands, and nothing runs from it on.
/// </summary>
/// <param name="Word">Its word.</param>
/// <param name="Json">All of it, as it stands in the file.</param>
public sealed record UnknownStep(string Word, string Json) : Step
{
    private static readonly StepKind Type = new("", [], _ => null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => $"“{Word}”, which this Underlay does not know";

    /// <inheritdoc/>
    public override JsonObject ToJson() => (JsonObject)JsonNode.Parse(Json)!;
}

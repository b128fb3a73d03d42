using System.Text.Json.Nodes;
using Underlay.Core.Images;

namespace Underlay.Core.Steps;

/// <summary>One shaping operation. Steps are values; a list of them runs on any source.</summary>
public abstract record Step
{
    /// <summary>How steps of its type are named, read and set.</summary>
    public abstract StepKind Kind { get; }

    /// <summary>What it does, as words to press: "Fit to 56 x 56".</summary>
    public abstract string Title { get; }

    /// <summary>The pictures beside the source that it needs, such as one whose alpha it takes.</summary>
    public virtual IReadOnlyList<RgbaPicture> Pictures => [];

    /// <summary>The step as files and the interface have it: <c>{ "do": "fit", "width": 56, … }</c>.</summary>
    public virtual JsonObject ToJson()
    {
        var json = new JsonObject { ["do"] = Kind.Word };
        Write(json);
        return json;
    }

    /// <summary>Adds the step's own fields.</summary>
    protected virtual void Write(JsonObject json)
    {
    }
}

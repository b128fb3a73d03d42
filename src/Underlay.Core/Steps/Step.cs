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

    /// <summary>What it does to a picture of a size: "Fit to 56 x 56, adding 4 pixels at the left and right".</summary>
    public virtual string TitleFor(PixelSize before) => Title;

    /// <summary>The picture after the step. The picture before it is not changed.</summary>
    public abstract RgbaPicture Run(RgbaPicture picture);

    /// <summary>The size of a picture after the step, known before a pixel is made.</summary>
    public virtual PixelSize SizeAfter(PixelSize before) => before;

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

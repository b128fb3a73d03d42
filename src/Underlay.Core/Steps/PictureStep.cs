using Underlay.Core.Images;

namespace Underlay.Core.Steps;

/// <summary>One that shapes pictures.</summary>
public abstract record PictureStep : Step
{
    /// <summary>What it does to a picture of a size: "Fit to 56 x 56, adding 4 pixels at the left and right".</summary>
    public virtual string TitleFor(PixelSize before) => Title;

    /// <summary>The picture after the step. The picture before it is not changed.</summary>
    public abstract RgbaPicture Run(RgbaPicture picture);

    /// <summary>The size of a picture after the step, known before a pixel is made.</summary>
    public virtual PixelSize SizeAfter(PixelSize before) => before;
}

namespace Underlay.Core.Stacks;

/// <summary>A layer of a stack: the host's own files lie lowest, packs above them, and the upper one wins.</summary>
/// <param name="Height">0 for the base, then one for each pack from the lowest.</param>
public readonly record struct Layer(int Height)
{
    /// <summary>The host's own files.</summary>
    public static Layer Base => default;

    /// <summary>The pack right over the base.</summary>
    public static Layer Pack => new(1);

    /// <summary>True for the host's own files.</summary>
    public bool IsBase => Height == 0;

    /// <summary>The layer above.</summary>
    public Layer Above => new(Height + 1);

    // The one above has one above it: what a record says of itself would have no end.
    /// <inheritdoc/>
    public override string ToString() => IsBase ? "base" : $"pack {Height}";
}

namespace Underlay.Core;

/// <summary>Looks for the first item of a list with which something fails, by halves: what fails with some items fails with more.</summary>
/// <param name="Sound">With so many from the front nothing fails.</param>
/// <param name="Failing">With so many it does.</param>
public readonly record struct Bisection(int Sound, int Failing)
{
    /// <summary>True when the first item is known: the one before <see cref="Failing"/>.</summary>
    public bool IsDone => Failing - Sound <= 1;

    /// <summary>How many items to try next.</summary>
    public int Next => Sound + ((Failing - Sound) / 2);

    /// <summary>What is known after <see cref="Next"/> was tried.</summary>
    public Bisection Told(bool fails) => fails ? this with { Failing = Next } : this with { Sound = Next };
}

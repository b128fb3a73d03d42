namespace Underlay.Core.Decisions;

/// <summary>The name of a check: "area/short-name".</summary>
public readonly record struct CheckCode(string Value)
{
    /// <inheritdoc/>
    public override string ToString() => Value;
}

/// <summary>What names a finding across runs: a waiver holds on to it.</summary>
public sealed record FindingKey(CheckCode Code, string Path, string Pointer, string Discriminator);

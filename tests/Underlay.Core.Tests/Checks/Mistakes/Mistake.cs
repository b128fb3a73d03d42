using Underlay.Core.Findings;

namespace Underlay.Core.Tests.Checks.Mistakes;

/// <summary>A pack with one mistake, and the one finding that it makes.</summary>
/// <param name="Name">What is wrong, in words.</param>
/// <param name="Pack">The pack with the mistake in it.</param>
/// <param name="Code">The check that finds it.</param>
/// <param name="Path">Where it is found.</param>
/// <param name="Severity">How bad it is.</param>
internal sealed record Mistake(string Name, APack Pack, string Code, string Path, Severity Severity);

using System.Collections.Immutable;

namespace Underlay.Core.Placements;

/// <summary>Words that so many targets have that they tell none from the others.</summary>
/// <param name="Names">Among those of names.</param>
/// <param name="Roles">Among those that tell a thing's files apart.</param>
internal sealed record CommonWords(ImmutableHashSet<string> Names, ImmutableHashSet<string> Roles)
{
    /// <summary>The words that are in one of both alone.</summary>
    public CommonWords ButFor(CommonWords other) => new(Names.SymmetricExcept(other.Names), Roles.SymmetricExcept(other.Roles));
}

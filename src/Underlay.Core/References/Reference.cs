using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.References;

/// <summary>In which way one file speaks of another.</summary>
public enum ReferenceKind
{
    /// <summary>A field names the other by its id or name.</summary>
    Names,

    /// <summary>A field names a code of a codebook.</summary>
    Code,

    /// <summary>Fields are taken over from the other.</summary>
    TakesOver,

    /// <summary>The other has to lie beside it.</summary>
    Beside,

    /// <summary>The other is found by a number or name in a field.</summary>
    FoundBy,

    /// <summary>A text by which people know it.</summary>
    Text,

    /// <summary>A row of an index names the other.</summary>
    Row,
}

/// <summary>One file that speaks of another.</summary>
/// <param name="Kind">In which way.</param>
/// <param name="From">The file that speaks.</param>
/// <param name="Pointer">The field that does; empty where no field does.</param>
/// <param name="Value">What stands there: an id, a name, a code, a key.</param>
/// <param name="At">Where the other is or is looked for; null where nothing tells a path.</param>
/// <param name="To">The other as the host shows it; null where there is none.</param>
/// <param name="Book">The key of the codebook that has the value as a code, or null.</param>
/// <param name="Holds">True where what is spoken of exists.</param>
public sealed record Reference(
    ReferenceKind Kind,
    Placement From,
    string Pointer,
    string Value,
    PackPath? At,
    Placement? To,
    string? Book,
    bool Holds);

using System.Diagnostics.CodeAnalysis;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace Underlay.Data;

/// <summary>Keeps a value of an enumeration as its name in lower case, so that people and queries can read it.</summary>
[SuppressMessage("Performance", "CA1812", Justification = "Made by EF Core.")]
[SuppressMessage("Globalization", "CA1308", Justification = "Lower case is the form that is kept.")]
internal sealed class LowerCaseWord<T>()
    : ValueConverter<T, string>(value => value.ToString().ToLowerInvariant(), word => Enum.Parse<T>(word, true))
    where T : struct, Enum;

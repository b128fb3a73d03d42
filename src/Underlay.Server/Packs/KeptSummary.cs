using System.Globalization;
using System.Text.Json;
using Underlay.Core.Renames;

namespace Underlay.Server.Packs;

/// <summary>What is kept of a pack in the database, so that others need not open it.</summary>
/// <param name="Summary">What lists show.</param>
/// <param name="Numbers">The numbers that its entries have for themselves.</param>
internal sealed record KeptSummary(PackSummary Summary, IReadOnlyList<TakenNumber> Numbers)
{
    // Raised when the fields change, so that what was kept is made anew.
    private const int Shape = 6;

    // What lacks a field is damaged: it would fail only when the whole list is sent.
    private static readonly JsonSerializerOptions Strict = new()
    {
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
    };

    public static KeptSummary Of(PackSnapshot snapshot) =>
        new(PackSummary.Of(snapshot), snapshot.Overlay is { } overlay ? [.. TakenNumber.Of(overlay)] : []);

    /// <summary>What was kept; null where nothing was, or another version made it: it is then made anew.</summary>
    public static KeptSummary? Read(string? kept)
    {
        try
        {
            return kept is null ? null : JsonSerializer.Deserialize<KeptSummary>(kept, Strict);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    public string Write() => JsonSerializer.Serialize(this);

    /// <summary>What tells of which revision it is, and in which shape.</summary>
    public static string TagOf(long revision) => string.Create(CultureInfo.InvariantCulture, $"{Shape}/{revision}");
}

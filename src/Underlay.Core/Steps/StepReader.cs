using System.Globalization;
using System.Text.Json;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Steps;

/// <summary>What a step may refer to beyond its own fields.</summary>
/// <param name="Kept">A picture that the pack keeps for its steps, by hash.</param>
/// <param name="Base">The base's picture at the same path, or null.</param>
/// <param name="Source">The picture on which the steps run, or null.</param>
public sealed record StepContext(Func<ContentHash, RgbaPicture?> Kept, Func<RgbaPicture?> Base, Func<RgbaPicture?> Source);

/// <summary>Reads one step from its JSON.</summary>
public sealed class StepReader
{
    private readonly JsonElement json;

    private StepReader(JsonElement json, StepContext context)
    {
        this.json = json;
        Context = context;
    }

    /// <summary>What the step may refer to.</summary>
    public StepContext Context { get; }

    /// <summary>
    /// The step. One of an unknown word, or with fields that cannot be read, is kept as it stands (<see cref="UnknownStep"/>);
    /// null where it is no object with a word at all.
    /// </summary>
    public static Step? Read(JsonElement json, StepContext context)
    {
        if (json.ValueKind != JsonValueKind.Object || !json.TryGetProperty("do", out var word) || word.ValueKind != JsonValueKind.String)
            return null;
        var kind = StepKinds.All.FirstOrDefault(k => k.Word == word.GetString());
        return kind?.Read(new StepReader(json, context)) ?? new UnknownStep(word.GetString()!, json.GetRawText());
    }

    /// <summary>A whole number in a range, or null.</summary>
    public int? Whole(string field, int least, int most) =>
        Find(field, JsonValueKind.Number) is { } value && value.TryGetInt32(out var number) && number >= least && number <= most
            ? number
            : null;

    /// <summary>A number in a range, to one digit behind the point, or null.</summary>
    public double? Tenths(string field, int least, int most) =>
        Find(field, JsonValueKind.Number) is { } value && value.GetDouble() is var number && number >= least && number <= most
            ? Math.Round(number, 1)
            : null;

    /// <summary>True where the field is true.</summary>
    public bool Flag(string field) => Find(field, JsonValueKind.True) is not null;

    /// <summary>The text of a field, or null.</summary>
    public string? Text(string field) => Find(field, JsonValueKind.String)?.GetString();

    /// <summary>A colour as "#rrggbb", or null.</summary>
    public Rgb? Colour(string field) => Rgb.TryParse(Text(field), out var colour) ? colour : null;

    /// <summary>A picture that the pack keeps, named by its hash; without a name the one that stands in for it.</summary>
    public RgbaPicture? Picture(string field, Func<RgbaPicture?> otherwise) =>
        Text(field) is { } hex ? ContentHash.TryParse(hex, out var hash) ? Context.Kept(hash) : null : otherwise();

    private JsonElement? Find(string field, JsonValueKind kind) =>
        json.TryGetProperty(field, out var value) && value.ValueKind == kind ? value : null;
}

/// <summary>A solid colour.</summary>
public readonly record struct Rgb(byte R, byte G, byte B)
{
    /// <summary>Reads "#rrggbb".</summary>
    public static bool TryParse(string? text, out Rgb colour)
    {
        var sound = text is ['#', .. { Length: 6 } hex]
            && int.TryParse(hex, NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out _);
        var value = sound ? int.Parse(text.AsSpan(1), NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture) : 0;
        colour = new Rgb((byte)(value >> 16), (byte)(value >> 8), (byte)value);
        return sound;
    }

    /// <summary>"#rrggbb".</summary>
    public override string ToString() => $"#{R:x2}{G:x2}{B:x2}";
}

using System.Globalization;
using Underlay.Core.Entries;
using Underlay.Core.Findings;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Names;
using Underlay.Core.Stacks;

namespace Underlay.Core.Checks;

/// <summary>A rule of a place in words, with what a file measures.</summary>
/// <param name="Wanted">"56 x 56".</param>
/// <param name="Measured">"58 x 56"; empty where there is nothing to measure.</param>
/// <param name="Holds">Whether the file keeps the rule; null when it cannot be told.</param>
public sealed record RuleSentence(string Wanted, string Measured, bool? Holds);

/// <summary>Says what a place asks of a file and what the file has.</summary>
public static class RuleSentences
{
    /// <summary>The sentences of a file, in the order of its place's rules; what needs no words is left out.</summary>
    /// <param name="overlay">The pack over its base.</param>
    /// <param name="placement">The file.</param>
    /// <param name="findings">
    /// What was found in the pack: a rule of which something is found at the file does not hold, whatever was measured.
    /// </param>
    public static IReadOnlyList<RuleSentence> Of(Overlay overlay, Placement placement, IReadOnlyList<Finding> findings)
    {
        var broken = findings
            .Where(f => f is { Severity: Severity.Blocker, Rule: not null } && f.IsAbout(placement.Path.Value))
            .Select(f => f.Rule!)
            .ToHashSet();
        return
        [
            .. overlay.RulesFor(placement)
                .Select(
                    r =>
                        Of(overlay, placement, r.Rule) is { } sentence
                            ? broken.Contains(r.Rule)
                            ? sentence with { Holds = false }
                            : sentence
                            : null)
                .OfType<RuleSentence>(),
        ];
    }

    private static RuleSentence? Of(Overlay overlay, Placement placement, Rule rule) => rule switch
    {
        SizeRule size => OfSize(placement, size),
        AlphaRule alpha => OfAlpha(placement, alpha),
        ClearBorderRule => OfBorder(placement),
        MaskColoursRule mask => OfMask(placement, mask),
        SomeAlphaRule => OfSomeAlpha(placement),
        GreyRule grey => OfGrey(placement, grey),
        EnabledByRule enabled => OfEnabled(overlay, placement, enabled),
        MemberOfSetRule set => OfSet(overlay, placement, set),
        SeriesRule => new RuleSentence("Numbered from 01 without a gap, all of one size and one pack", "", null),
        ListedInRule { Table: { } table } listed => OfListed(overlay, placement, listed, overlay.Profile.Place(table)),
        IndexedRule indexed => OfIndexed(overlay, placement, indexed),
        FieldsRule fields =>
            new RuleSentence(
                $"{fields.Widths.Count} fields, {string.Join(", ", fields.Widths)} wide, and nothing over their edges",
                "",
                null),
        SeenThroughRule => new RuleSentence("Seen through a frame: what matters lies inside", "", null),
        LetteringRule lettering =>
            new RuleSentence(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"Lettering of a contrast of {lettering.Contrast:0.#}:1 and strokes of {lettering.Stroke:0.#} pixels"),
                "",
                null),
        ColourTypesRule types => OfTypes(placement, types),
        WeightRule weight =>
            new RuleSentence(
                $"At most {Bytes(weight.MostBytes)}",
                Bytes(placement.Facts.Length),
                placement.Facts.Length <= weight.MostBytes),
        RatesRule rates => OfRates(placement, rates),
        ChannelsRule channels => OfChannels(placement, channels),
        SoundRowRule row => OfRow(overlay, placement, row),
        HeardRule heard => OfHeard(placement, heard),
        SameSizeRule same => OfSameSize(overlay, placement, same),
        RequiresRule requires => OfRequires(overlay, placement, requires),
        RefersToRule refers => OfReferences(overlay, placement, refers),
        NamesAgreeRule names => placement.Field(names.Field) is { } id
            ? new RuleSentence(
                $"Its id ends in “{placement.Bindings.Find(names.Placeholder)}”",
                id,
                Id.NameIn(id) == placement.Bindings.Find(names.Placeholder))
            : null,
        _ => null,
    };

    private static RuleSentence OfRates(Placement placement, RatesRule rule)
    {
        var header = placement.Facts.Sound?.Header;
        return new RuleSentence(
            $"{string.Join(" or ", rule.Allowed)} Hz",
            header is null ? "" : string.Create(CultureInfo.InvariantCulture, $"{header.Rate} Hz"),
            header is null ? null : rule.Allowed.Contains(header.Rate));
    }

    private static RuleSentence OfChannels(Placement placement, ChannelsRule rule)
    {
        var header = placement.Facts.Sound?.Header;
        return new RuleSentence(
            rule.Most == 1 ? "Mono" : $"At most {rule.Most} channels",
            header is null ? "" : header.Channels == 1 ? "mono" : header.Channels == 2 ? "stereo" : $"{header.Channels} channels",
            header is null ? null : header.Channels <= rule.Most);
    }

    private static RuleSentence OfRow(Overlay overlay, Placement placement, SoundRowRule rule)
    {
        var row = SoundRow.Of(overlay, rule, placement);
        var frames = placement.Facts.Sound?.Header?.Frames;
        return new RuleSentence(
            $"A row in {row.Table}, with a loop inside the sound or none",
            row.Row is null ? "no row" : row.Loops ? $"frames {row.LoopFrom} to {row.LoopTo}" : "played once",
            row.Row is null ? false : frames is { } length ? row.FitsInto(length) : null);
    }

    private static RuleSentence OfHeard(Placement placement, HeardRule rule)
    {
        var measure = placement.Facts.Sound?.Measure;
        return new RuleSentence(
            string.Create(CultureInfo.InvariantCulture, $"A true peak of at most {rule.MostPeak:0.#} dBTP"),
            measure is null ? "" : double.IsFinite(measure.TruePeak)
                ? string.Create(CultureInfo.InvariantCulture, $"{measure.TruePeak:0.0} dBTP")
                : "silence",
            measure is null ? null : measure.TruePeak <= rule.MostPeak);
    }

    private static RuleSentence? OfReferences(Overlay overlay, Placement placement, RefersToRule rule)
    {
        var named = overlay.References(rule, placement).Select(r => r.Value).Distinct().ToList();
        return named.Count == 0
            ? null
            : new RuleSentence(
                $"{FieldName.Quote(rule.Field)} names something that exists",
                string.Join(", ", named),
                named.TrueForAll(n => overlay.Resolves(rule, placement, n)));
    }

    private static RuleSentence OfSize(Placement placement, SizeRule rule)
    {
        var size = placement.Facts.Picture?.Header?.Size;
        return new RuleSentence(
            rule.ToString().Capitalised(),
            size?.ToString() ?? "",
            size is { } known ? rule.Judge(known) is null : null);
    }

    private static RuleSentence OfAlpha(Placement placement, AlphaRule rule)
    {
        var alpha = placement.Facts.Picture?.Pixels?.Alpha;
        var wanted = rule.Allows == AlphaUse.Solid ? "Solid everywhere, no alpha" : "Each pixel fully solid or fully clear";
        var measured = alpha switch
        {
            AlphaUse.Solid => "solid",
            AlphaUse.Cut => "solid or clear",
            AlphaUse.Soft => "soft alpha",
            _ => "",
        };
        return new RuleSentence(wanted, measured, alpha is { } use ? use <= rule.Allows : null);
    }

    private static RuleSentence OfBorder(Placement placement)
    {
        var pixels = placement.Facts.Picture?.Pixels;
        var first = pixels?.FirstUnclearBorder;
        return new RuleSentence(
            "The outer ring of pixels is clear",
            pixels is null ? "" : first is { } at ? $"a pixel at {at} is not" : "clear",
            pixels is null ? null : first is null);
    }

    private static RuleSentence OfMask(Placement placement, MaskColoursRule rule)
    {
        var pixels = placement.Facts.Picture?.Pixels;
        var first = pixels?.FirstGreen;
        return new RuleSentence(
            $"No green anywhere: {rule.Means}",
            pixels is null ? "" : first is { } at ? $"green at {at}" : "none",
            pixels is null ? null : first is null);
    }

    private static RuleSentence OfSomeAlpha(Placement placement)
    {
        var alpha = placement.Facts.Picture?.Pixels?.Alpha;
        return new RuleSentence(
            "Some pixels clear, around its form",
            alpha is null ? "" : alpha == AlphaUse.Solid ? "solid everywhere" : "some are",
            alpha is { } use ? use != AlphaUse.Solid : null);
    }

    private static RuleSentence OfGrey(Placement placement, GreyRule rule)
    {
        var pixels = placement.Facts.Picture?.Pixels;
        return new RuleSentence(
            $"Grey: {rule.Means}",
            pixels is null ? "" : pixels.FirstTinted is { } at ? $"a coloured pixel at {at}" : "grey",
            pixels is null ? null : pixels.FirstTinted is null);
    }

    private static RuleSentence OfEnabled(Overlay overlay, Placement placement, EnabledByRule rule)
    {
        var owner = overlay.FirstShown(rule.Places, placement.Bindings);
        var value = owner is null ? 0 : overlay.Links.Number(owner, rule.Field);
        var name = owner?.Path.FileName ?? overlay.Profile.Place(rule.Places[0]).Noun;
        return new RuleSentence(
            string.Create(CultureInfo.InvariantCulture, $"{FieldName.Quote(rule.Field)} of {name} above {rule.Above}"),
            string.Create(CultureInfo.InvariantCulture, $"{value}"),
            value > rule.Above);
    }

    private static RuleSentence OfSet(Overlay overlay, Placement placement, MemberOfSetRule rule)
    {
        var members = placement.Place.Pattern!.ChoicesOf(rule.Placeholder);
        var there = members.Count(
            m => placement.Place.Pattern.Fill(placement.Bindings.With(rule.Placeholder, m)) is { } path && overlay.PackHas(path));
        return new RuleSentence(
            $"A set of {members.Count}, whole from one pack: {string.Join(", ", members)}",
            $"{there} in your pack",
            placement.Layer.IsBase || there == members.Count);
    }

    private static RuleSentence OfListed(Overlay overlay, Placement placement, ListedInRule rule, Hosts.Place table)
    {
        var name = placement.Bindings.Find(rule.Placeholder)!;
        var listed = overlay.TableKeys(table).Contains(name);
        return new RuleSentence($"A row “{name}” in {table.Noun}", listed ? "there" : "missing", listed);
    }

    private static RuleSentence OfIndexed(Overlay overlay, Placement placement, IndexedRule rule)
    {
        var named = placement.Layer.IsBase
            || overlay.Pack.In(overlay.Profile.Place(rule.Index)).Any(i => i.Facts.Index?.Names(placement.Path) == true);
        return new RuleSentence($"A row in {overlay.Profile.Place(rule.Index).Noun} names it", named ? "there" : "missing", named);
    }

    private static RuleSentence OfTypes(Placement placement, ColourTypesRule rule)
    {
        var colour = placement.Facts.Picture?.Header?.Colour;
        return new RuleSentence(
            $"PNG stored as {string.Join(" or ", rule.Allowed.Select(Word))}",
            colour is { } known ? Word(known) : "",
            colour is { } type ? rule.Allowed.Contains(type) : null);
    }

    private static RuleSentence? OfSameSize(Overlay overlay, Placement placement, SameSizeRule rule)
    {
        var other = overlay
            .Targets(rule.Places, placement.Bindings)
            .Select(overlay.Shown)
            .FirstOrDefault(p => p?.Facts.Picture?.Header is not null);
        if (other?.Facts.Picture?.Header?.Size is not { } wanted) return null;
        var size = placement.Facts.Picture?.Header?.Size;
        return new RuleSentence(
            $"The size of {other.Path.FileName}: {wanted}",
            size?.ToString() ?? "",
            size is { } known ? known == wanted : null);
    }

    private static RuleSentence? OfRequires(Overlay overlay, Placement placement, RequiresRule rule)
    {
        if (overlay.Targets(rule.Places, placement.Bindings) is not [var first, ..] targets) return null;
        var there = targets.Select(overlay.Shown).FirstOrDefault(p => p is not null);
        var measured = there is null
            ? (overlay.PackHas(first) ? "left out by the host" : "missing")
            : there.Layer.IsBase
            ? "in the base"
            : "in your pack";
        return new RuleSentence($"{(there?.Path ?? first).FileName} beside it", measured, there is not null);
    }

    private static string Word(PngColour colour) => colour switch
    {
        PngColour.Rgb => "RGB",
        PngColour.Rgba => "RGB with alpha",
        PngColour.Palette => "a palette",
        PngColour.GreyAlpha => "grey with alpha",
        _ => "grey",
    };

    private static string Bytes(long bytes) => bytes < 1024
        ? string.Create(CultureInfo.InvariantCulture, $"{bytes} bytes")
        : string.Create(CultureInfo.InvariantCulture, $"{bytes / 1024.0:0} KB");
}

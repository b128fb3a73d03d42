using System.Globalization;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>A series of the host to which numbered pictures of a tray belong, all of them or none.</summary>
/// <param name="Key">Tells it from others of the tray.</param>
/// <param name="Number">Of the picture, in the host's series.</param>
/// <param name="Says">What is to be known of all of them, as clauses: how they are counted, what is missing; empty for nothing.</param>
public sealed record SeriesSeat(string Key, int Number, string Says);

/// <summary>
/// Decides numbered pictures of one folder and name as a whole: those that programs count from 0 begin at the host's first number, and
/// what is missing or beyond the base's is told of all of them.
/// </summary>
internal static class SeriesAdvice
{
    private const int Fewest = 3;
    private const double AsNumbered = 0.86;
    private const double Shifted = 0.79;
    private const double Beside = 0.1;

    /// <summary>Advice on each file, with that on series of them.</summary>
    public static IReadOnlyList<PlacementAdvice> Join(
        Overlay overlay,
        IReadOnlyList<PlacementAdvice> all,
        Func<TreeFile, PlacementAdvice> advise)
    {
        if (!overlay.Profile.Places.Any(p => p.RulesOf<SeriesRule>(overlay.Edition).Any())) return all;
        var decided = new Dictionary<PackPath, PlacementAdvice>();
        var numbered = all
            .Where(a => a is { Size: not null, Flaw: null })
            .Select(a => (Advice: a, Told: NumberOf(a.File.Path)))
            .Where(n => n.Told is not null)
            .GroupBy(n => n.Told!.Value.Name, n => (n.Advice, n.Told!.Value.Number));
        foreach (var files in numbered)
            foreach (var advice in Decide(overlay, [.. files], advise)) decided[advice.File.Path] = advice;
        return decided.Count == 0 ? all : [.. all.Select(a => decided.GetValueOrDefault(a.File.Path, a))];
    }

    private static IEnumerable<PlacementAdvice> Decide(
        Overlay overlay,
        List<(PlacementAdvice Advice, int Number)> files,
        Func<TreeFile, PlacementAdvice> advise)
    {
        if (files.Select(f => f.Number).Distinct().Count() < Fewest) return [];
        var seat = SeatOf(overlay, files.ConvertAll(f => f.Advice));
        // Numbers that the host does not have lead nowhere; its first one does.
        if (seat is null && files.TrueForAll(f => f.Advice is { HasFirst: false } or { Candidates: [{ IsNew: true }, ..] }))
            seat = AsFirst(files[0].Advice.File).Select(f => SeatOf(overlay, [advise(f)])).FirstOrDefault(s => s is not null);
        if (seat is not var (place, rule, key)) return [];
        PackPath? At(int number) => FindPath(place, key, rule.Placeholder, number);
        var ofBase = Enumerable.Range(1, 999).TakeWhile(n => At(n) is { } path && overlay.Base.Find(path) is not null).Count();
        var lowest = files.Min(f => f.Number);
        // Programs count from 0; numbers of which the base has none are an export's own.
        var shift = lowest == 0 || lowest > Math.Max(ofBase, 1) ? 1 - lowest : 0;
        var numbers = files.Select(f => f.Number + shift).ToHashSet();
        var missing = Enumerable.Range(1, numbers.Max()).FirstOrDefault(n => !numbers.Contains(n));
        var says = Says((lowest, shift), missing, (numbers.Max(), ofBase));
        var confidence = shift == 0 && missing == 0 ? AsNumbered : Shifted;
        return files
            .Select(f => (f.Advice, Number: f.Number + shift, Target: At(f.Number + shift)))
            .Where(f => f.Target is not null)
            .Select(f => Seated(overlay, f.Advice, place, f.Target!.Value, confidence, SeatAt(f.Number)));
        SeriesSeat SeatAt(int number) => new($"{place.Key}:{key.Key}", number, says);
    }

    /// <summary>The series to which most of the files that lead anywhere seem to belong; null for none.</summary>
    private static (Place Place, SeriesRule Rule, Bindings Key)? SeatOf(Overlay overlay, List<PlacementAdvice> files)
    {
        // Beyond the base's numbers a picture leads nowhere, or to something new.
        var led = files.Where(a => a is { HasFirst: true, Candidates: [{ IsNew: false }, ..] }).Select(a => a.Candidates[0]).ToList();
        var seats = led
            .Where(c => c.Place?.RulesOf<SeriesRule>(overlay.Edition).Any() == true)
            .Select(c => (
                Place: c.Place!,
                Rule: c.Place!.RulesOf<SeriesRule>(overlay.Edition).First(),
                Bindings: c.Place.Pattern!.Match(c.Target)!))
            .GroupBy(c => (c.Place, c.Rule, Key: c.Bindings.With(c.Rule.Placeholder, "")));
        return seats.FirstOrDefault(g => g.Count() * 2 >= led.Count) is { Key: var seat } ? seat : null;
    }

    /// <summary>A file under the names that the first of its series would have: its own with that number, and the number alone.</summary>
    private static IEnumerable<TreeFile> AsFirst(TreeFile file)
    {
        var name = file.Path.FileName;
        var stem = KnownTargets.StemOf(name);
        var end = stem.AsSpan().LastIndexOfAnyInRange('0', '9') + 1;
        var begin = end;
        while (begin > 0 && char.IsAsciiDigit(stem[begin - 1])) begin--;
        string[] names = [$"{stem[..begin]}1{stem[end..]}", "1"];
        return names.Select(n => file with { Path = PackPath.Parse($"{file.Path.Value[..^name.Length]}{n}{name[stem.Length..]}") });
    }

    private static PlacementAdvice Seated(
        Overlay overlay,
        PlacementAdvice advice,
        Place place,
        PackPath target,
        double confidence,
        SeriesSeat seat)
    {
        var was = advice.Candidates.FirstOrDefault(c => c.Target == target);
        var first = new PlacementCandidate(
            target,
            place,
            Math.Max(confidence, confidence == AsNumbered ? was?.Confidence ?? 0 : 0),
            $"number {seat.Number} of the series",
            overlay.Base.Find(target) is null && !overlay.PackHas(target),
            was?.Doubt ?? Placer.OverOwn(overlay, advice.File, target));
        var others = advice.Candidates
            .Where(c => c.Target != target)
            .Select(c => c with { Confidence = Math.Min(c.Confidence, first.Confidence - Beside) });
        return advice with { Candidates = [first, .. others], Likely = 1, Series = seat };
    }

    private static string Says((int Lowest, int Shift) counted, int missing, (int Last, int OfBase) ends)
    {
        var said = new List<string>();
        if (counted.Shift != 0) said.Add($"yours are counted from {counted.Lowest}, the host’s from 1");
        if (missing > 0) said.Add($"number {missing} is missing, and the host stops before it");
        if (ends.Last < ends.OfBase) said.Add($"the base has {ends.OfBase}, of which {ends.Last + 1} and on would be left over");
        if (ends.Last > ends.OfBase && ends.OfBase > 0) said.Add($"{ends.Last - ends.OfBase} more than the base has");
        return string.Join("; ", said);
    }

    /// <summary>The path with a number, written with as many digits as the place wants.</summary>
    private static PackPath? FindPath(Place place, Bindings key, string placeholder, int number) =>
        Enumerable.Range(1, 4)
            .Select(digits => place.Pattern!.Fill(key.With(placeholder, number.ToString($"D{digits}", CultureInfo.InvariantCulture))))
            .FirstOrDefault(path => path is not null);

    /// <summary>The last number of a file's name, and where it lies and what it is called without that; null without a number.</summary>
    private static (string Name, int Number)? NumberOf(PackPath path)
    {
        var tokens = NameWords.Of(KnownTargets.StemOf(path.FileName)).Tokens.ToList();
        var at = tokens.FindLastIndex(t => t.IsNumber);
        if (at < 0 || !int.TryParse(tokens[at].Text, NumberStyles.None, CultureInfo.InvariantCulture, out var number)) return null;
        tokens.RemoveAt(at);
        return ($"{path.Value[..^path.FileName.Length]}{string.Join(' ', tokens.Select(t => t.Text))}", number);
    }
}

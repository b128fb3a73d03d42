using Underlay.Core.BaseFiles;
using Underlay.Core.Hosts;
using Underlay.Core.Manifests;
using Underlay.Core.Packs;
using Underlay.Core.Placements;
using Underlay.Core.Stacks;

namespace Underlay.Testing.Trays;

/// <summary>How well the files of one naming were placed.</summary>
/// <param name="Naming">How they came by their names.</param>
/// <param name="Files">How many there were.</param>
/// <param name="Offered">Of these, how many had the wanted path among the candidates.</param>
/// <param name="First">How many had it proposed.</param>
/// <param name="FirstWrong">How many had another proposed.</param>
/// <param name="Sure">How many had it proposed as sure.</param>
/// <param name="SureWrong">Those that had another proposed as sure, in words.</param>
/// <param name="Missed">Those that had another proposed, or were not offered the wanted path, in words.</param>
public sealed record PlacementScore(
    string Naming,
    int Files,
    int Offered,
    int First,
    int FirstWrong,
    int Sure,
    IReadOnlyList<string> SureWrong,
    IReadOnlyList<string> Missed)
{
    /// <summary>Places generated files and holds what is proposed against what is wanted.</summary>
    public static IReadOnlyList<PlacementScore> Take(HostProfile profile, FileTree baseTree, int count, int seed)
    {
        var catalogue = BaseCatalogue.Read(profile, profile.Newest, baseTree);
        var placer = new Placer(
            Overlay.Of(PackReading.Read(profile, profile.Newest, FileTree.Empty, ManifestFacts.Read(profile, FileTree.Empty)), catalogue));
        var outcomes = GeneratedTray.Make(profile, baseTree, count, seed)
            .Select(item => Judge(item, placer.Advise(item.File), profile))
            .ToList();
        return
        [
            .. outcomes
                .GroupBy(o => o.Item.Naming)
                .OrderBy(g => GeneratedTray.Namings.ToList().IndexOf(g.Key))
                .Select(g => Sum(g.Key, [.. g])),
        ];
    }

    private static Outcome Judge(TrayItem item, PlacementAdvice advice, HostProfile profile)
    {
        // What has no place in the base may become something new where its like stands.
        bool IsWanted(PlacementCandidate c) =>
            item.Wanted is { } wanted ? c.Target == wanted : c.IsNew && c.Place == profile.Locate(item.Likeness, profile.Newest)?.Place;
        var first = advice.HasFirst ? advice.Candidates[0] : null;
        return new Outcome(
            item,
            advice.Candidates.Any(IsWanted),
            first is null ? null : IsWanted(first),
            advice.IsSure,
            advice.Candidates is [var top, ..] ? top : null);
    }

    private static PlacementScore Sum(string naming, IReadOnlyList<Outcome> outcomes) => new(
        naming,
        outcomes.Count,
        outcomes.Count(o => o.IsOffered),
        outcomes.Count(o => o.IsFirstRight == true),
        outcomes.Count(o => o.IsFirstRight == false),
        outcomes.Count(o => o is { IsSure: true, IsFirstRight: true }),
        [.. outcomes.Where(o => o is { IsSure: true, IsFirstRight: false }).Select(o => o.Says)],
        [
            .. outcomes
                .Where(
                    o =>
                        !o.IsOffered
                            || o.IsFirstRight == false
                            || (o.IsFirstRight is null && o.Item.Naming is "whole path" or "version behind it"))
                .Select(o => o.Says),
        ]);

    private sealed record Outcome(TrayItem Item, bool IsOffered, bool? IsFirstRight, bool IsSure, PlacementCandidate? First)
    {
        public string Says =>
            $"{Item.File.Path} (like {Item.Likeness}) → "
                + (First is null ? "nothing proposed" : $"{First.Target}: {First.Reason}")
                + (First?.Doubt is { } doubt ? $"; but {doubt}" : "");
    }
}

using StandIns;

namespace Kilnmoor;

/// <summary>Decides which packages are listed.</summary>
internal static class Listing
{
    public static IReadOnlyList<ListedPackage> Decide(IReadOnlyList<PackageFile> packages, string edition, bool insist)
    {
        var reasons = packages.Select(p => p.Reason).ToArray();
        if (!insist)
        {
            for (var i = 0; i < reasons.Length; i++)
                if (reasons[i] is null && !packages[i].Manifest!.Reads(edition)) reasons[i] = "closed";
            // One that is closed may close others that need it.
            while (CloseOneForNeeds(packages, reasons))
            {
            }
        }

        for (var i = 0; i < reasons.Length; i++)
        {
            var id = packages[i].Manifest?.Id;
            var later = packages.Where((p, j) => j > i && reasons[j] is null && p.Manifest!.Id == id);
            if (reasons[i] is null && later.Any()) reasons[i] = "superseded";
        }

        return [.. packages.Select((p, i) => new ListedPackage(p.Name, p.Manifest?.Id, reasons[i] is null, reasons[i]))];
    }

    private static bool CloseOneForNeeds(IReadOnlyList<PackageFile> packages, string?[] reasons)
    {
        for (var i = 0; i < reasons.Length; i++)
        {
            if (reasons[i] is not null) continue;
            var met = packages[i].Manifest!.Needs.All(
                need => packages.Where((_, j) => j != i && reasons[j] is null).Any(p => p.Manifest!.Serves(need)));
            if (met) continue;
            reasons[i] = "closed";
            return true;
        }

        return false;
    }
}

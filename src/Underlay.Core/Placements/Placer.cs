using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;
using Underlay.Core.Hosts;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Images;
using Underlay.Core.Names;
using Underlay.Core.Packs;
using Underlay.Core.Stacks;

namespace Underlay.Core.Placements;

/// <summary>
/// Tells where the files of a tray belong, from their paths, names, sizes, contents and looks. What fits a path's end comes
/// first; a number, member or name to the letter tells more than any look; what nothing tells apart is offered alike.
/// </summary>
public sealed class Placer
{
    private const int MostOthers = 6;
    private const int MostLooks = 1000;

    // Of those that nothing tells apart; who wants another types its path.
    private const int MostAlike = 64;
    private const int MostNew = 2;
    private const double Least = 0.3;

    // "old" may be what versioning adds, or a word of the thing's own name, which then tells more.
    private const double ForOwnWord = 0.05;

    // The author's prefix may be left out where a file is called by its thing's name.
    private const double WithoutPrefix = 0.02;

    // Where it need not become another format.
    private const double AsItIs = 0.06;
    private const double LikeOwn = 0.08;
    private const double LookStep = 0.05;

    // How far apart two sounds are that are the same, played again in another room. dB, see SoundShape.
    private const double LikeSound = 6;

    // More than a new name of its own tells, of sounds that are alike.
    private const double Alike = 0.45;

    // What rounding in another format leaves of a difference.
    private const double Same = 0.002;
    private const double Copied = 0.6;

    // Less than a new name of its own.
    private const double OtherNumber = 0.32;
    private const double ById = 0.95;
    private const double AlmostSure = 0.79;
    private const double Outranked = 0.5;
    private const double OldName = 0.75;

    // Where a path is the host's own to the letter, names and looks tell nothing more.
    private const double ByWholePath = 0.98;
    private const double BesideWholePath = 0.9;

    private const string LooksLikeOwn = "it looks like the base’s";
    private const string SoundsLikeOwn = "it sounds like the base’s";

    private readonly Overlay overlay;
    private readonly KnownTargets known;
    private readonly NewTargets newTargets;
    private readonly CodedSounds codedSounds;
    private readonly IndexedPictures indexed;
    private readonly OtherParts parts;
    private readonly SoundNames soundNames;
    private readonly TablesByRows tables;

    /// <summary>A placer for a pack, which knows the base's names and the pack's own.</summary>
    public Placer(Overlay overlay)
        : this(overlay, new KnownTargets(overlay))
    {
    }

    private Placer(Overlay overlay, KnownTargets known)
    {
        this.overlay = overlay;
        this.known = known;
        newTargets = new NewTargets(overlay);
        codedSounds = new CodedSounds(overlay);
        indexed = new IndexedPictures(overlay);
        parts = new OtherParts(overlay);
        soundNames = new SoundNames(overlay);
        tables = new TablesByRows(overlay);
    }

    /// <summary>Words that lead to nothing.</summary>
    internal CommonWords Common => known.Common;

    /// <summary>True where a path has one of some words, or one but for a slip.</summary>
    internal bool IsSpoken(PackPath path, CommonWords words) => known.IsSpoken(new SpokenPath(path), words);

    /// <summary>The placer for the pack after a change; this one is done with.</summary>
    internal Placer After(Overlay now, NameChange names) =>
        names.Gone.Count > 0 ? new Placer(now) : new Placer(now, known.Learn(names.Came));

    /// <summary>Where files may belong, in their order; on all cores.</summary>
    public IReadOnlyList<PlacementAdvice> Advise(IReadOnlyList<TreeFile> files) =>
        Join(overlay, SideBySide.Select(files, Advise), Advise);

    /// <summary>Advice on each file, with that on those that belong together: series, and parts of a thing that is not there yet.</summary>
    internal static IReadOnlyList<PlacementAdvice> Join(
        Overlay overlay,
        IReadOnlyList<PlacementAdvice> all,
        Func<TreeFile, PlacementAdvice> advise) =>
        NewThingAdvice.Join(overlay, SeriesAdvice.Join(overlay, all, advise));

    /// <summary>Where a file may belong.</summary>
    public PlacementAdvice Advise(TreeFile file)
    {
        var content = TrayContent.Of(file);
        var flaw = TrayFlaw.Find(file, content);
        if (SystemFiles.Is(file.Path) || file.Length == 0) return new PlacementAdvice(file, [], flaw, Begins: content.Begins);
        var spoken = new SpokenPath(file.Path);
        var found = new Dictionary<PackPath, PlacementCandidate>();
        void Add(PlacementCandidate candidate)
        {
            var isConverted = content is { Conversion.Length: > 0 } && candidate.Place?.PictureFormat is { TakesOthers: true };
            var becomes = isConverted
                ? content.Conversion
                : content.Sound is { } sound && candidate.Place?.Format is PackSoundFormat wanted && sound != wanted
                ? $"{sound.One} that becomes {wanted.SavedAs}"
                : "";
            var told = becomes.Length > 0 ? candidate with { Reason = $"{candidate.Reason}; {becomes}" } : candidate;
            if (!found.TryGetValue(told.Target, out var other) || other.Confidence < told.Confidence) found[told.Target] = told;
        }

        if (content.Is is { } kind)
        {
            foreach (var candidate in ByPath(file, content, kind)) Add(candidate);
            if (content.Entry is { } entry) foreach (var candidate in ByEntry(entry)) Add(candidate);
            foreach (var candidate in tables.For(content)) Add(candidate);
            if (kind != PlaceContent.Index)
                foreach (var candidate in ByName(spoken, content, kind)) Add(candidate);
            foreach (var candidate in ByOldName(spoken, content, kind)) Add(candidate);
            foreach (var candidate in ByManifest(spoken, content, kind)) Add(candidate);
            foreach (var candidate in indexed.For(spoken, content)) Add(candidate);
            if (kind == PlaceContent.Sound)
                foreach (var candidate in codedSounds.For(spoken, content).Concat(soundNames.For(spoken))) Add(candidate);
            if (found.Count == 0)
                foreach (var candidate in BySize(content).Concat(ByLook(content)).Concat(BySound(content))) Add(candidate);
            foreach (var candidate in newTargets.For(spoken, content)) if (!found.ContainsKey(candidate.Target)) Add(candidate);
        }

        if (ByManifestItself(file, content) is { } manifest) Add(manifest);
        // What cannot be read is of no use anywhere.
        var raised = OneMore.Raise(found.Values);
        var candidates = raised.Select(c => c with { Doubt = flaw ?? c.Doubt ?? OverOwn(overlay, file, c.Target) ?? OfTemplate(file) });
        var (ordered, likely) = Order(candidates, content);
        return new PlacementAdvice(file, ordered, flaw, content.Size, content.Begins, likely);
    }

    /// <summary>What is called as templates call what they come with is looked at first.</summary>
    private static string? OfTemplate(TreeFile file) =>
        LeftoverNames.IsExample(KnownTargets.StemOf(file.Path.FileName)) || file.Path.Segments.SkipLast(1).Any(LeftoverNames.IsExample)
            ? "its name is that of an example that a template came with"
            : null;

    /// <summary>What would take the place of the author's own work is looked at first, whatever speaks for it.</summary>
    internal static string? OverOwn(Overlay overlay, TreeFile file, PackPath target) =>
        !overlay.PackHas(target) ? null
        : overlay.Pack.Tree.Find(target)?.Hash == file.Hash ? "your pack has it there already"
        : "your pack has another file there, which it would replace";

    /// <summary>
    /// The likeliest first, and how many are as likely as the first; of these, those that look most like the base's before the others.
    /// </summary>
    private (List<PlacementCandidate> Candidates, int Likely) Order(IEnumerable<PlacementCandidate> candidates, TrayContent content)
    {
        var all = candidates.ToList();
        var isPath = all.Exists(c => c.Confidence >= ByWholePath);
        PlacementCandidate Below(PlacementCandidate c) =>
            c.Confidence >= ByWholePath ? c : c with { Confidence = Math.Min(c.Confidence, BesideWholePath) };
        if (isPath) all = all.ConvertAll(Below);
        var sorted = all.Where(c => c.Confidence >= Least).OrderByDescending(c => c.Confidence).ThenBy(c => c.Target).ToList();
        if (!isPath && sorted is [{ Doubt: null } first, ..] && content.Picture is { } seen
            && LooksLikeSibling(first, sorted, seen) is { } doubt)
            sorted[0] = first with { Doubt = doubt };
        var equals = sorted.TakeWhile(c => c.Confidence == sorted[0].Confidence).ToList();
        if (equals.Count > 1 && equals.Count <= MostLooks && content.Picture is { } picture && RankByLook(equals, picture) is { } ranked)
            sorted = [.. ranked, .. sorted.Skip(equals.Count)];
        var listed = sorted.Take(Math.Clamp(equals.Count, MostOthers, MostAlike)).ToList();
        // It may be one more, however many are called alike.
        if (!listed.Exists(c => c.IsNew)) listed.AddRange(sorted.Skip(listed.Count).Where(c => c.IsNew).Take(MostNew));
        return (listed, equals.Count);
    }

    /// <summary>
    /// What speaks against the first where another file of the same thing looks far more like this one: the glow of a surface, say,
    /// that is called as the surface is.
    /// </summary>
    private string? LooksLikeSibling(PlacementCandidate first, List<PlacementCandidate> all, RgbaPicture picture)
    {
        if (first.Place?.Pattern?.Match(first.Target) is not { } bindings) return null;
        var siblings = overlay.Profile.Groups.Of(first.Place)
            .Where(p => p != first.Place && p.Content == PlaceContent.Picture)
            .Select(p => p.Pattern?.Fill(bindings))
            .OfType<PackPath>()
            .ToHashSet();
        var near = all.Where(c => siblings.Contains(c.Target)).ToList();
        if (near.Count == 0) return null;
        var grid = LookGrid.Of(picture);
        if (LookRank.OfBase(overlay, first.Target) is not { } own) return null;
        var other = near.Find(c => LookRank.OfBase(overlay, c.Target) is { } its
            && (its.DistanceTo(grid) * 2 < own.DistanceTo(grid) || (grid.IsGrey && its.IsGrey && !own.IsGrey)));
        return other is null ? null : $"it looks more like {other.Place!.One} of the same name";
    }

    private List<PlacementCandidate>? RankByLook(List<PlacementCandidate> equals, RgbaPicture picture)
    {
        var grid = LookGrid.Of(picture);
        var ranked = equals
            .Select(c => (Candidate: c, Distance: LookRank.Distance(overlay, grid, c.Target)))
            .OrderBy(c => c.Distance ?? double.MaxValue)
            .ThenBy(c => c.Candidate.Target)
            .ToList();
        if (ranked[0].Distance is not { } nearest || ranked[1].Distance is not { } next) return null;
        // A look that stands out lifts one above its equals; it never makes it sure.
        if (nearest <= LikeOwn && next > nearest * 2)
        {
            var first = ranked[0].Candidate;
            var reason = first.Reason == LooksLikeOwn ? LooksLikeOwn : $"{first.Reason}; {LooksLikeOwn}";
            ranked[0] = (first with { Confidence = first.Confidence + LookStep, Reason = reason }, nearest);
        }

        return [.. ranked.Select(r => r.Candidate)];
    }

    /// <summary>The path as it is, or without some of its outer folders.</summary>
    private IEnumerable<PlacementCandidate> ByPath(TreeFile file, TrayContent content, PlaceContent kind)
    {
        var segments = file.Path.Segments;
        // Some editors and cameras write endings in capitals.
        segments = [.. segments[..^1], SmallEnding(segments[^1])];
        for (var skip = 0; skip < segments.Length; skip++)
        {
            if (!PackPath.TryParse(string.Join('/', segments.Skip(skip)), out var path, out _)) continue;
            if (overlay.Profile.Locate(path, overlay.Edition) is not { } located || !Takes(located.Place, content, kind)) continue;
            var own = overlay.Base.Find(path);
            var fit = PlaceFit.Of(overlay, located.Place, located.Bindings, own, content);
            var around = skip == 0 ? "" : $" but for “{string.Join('/', segments.Take(skip))}”";
            var reason = $"the path is the host’s own{around}{(own is null ? "; a new name" : "")}";
            // Where the folders say the place, no name and no look tells more.
            var isTold = own is not null || located.Place.Pattern is { } pattern && LiteralsOf(pattern) > 1;
            var confidence = fit.IsOutranked ? Outranked : isTold ? (skip == 0 ? 1 : ByWholePath) : (skip == 0 ? 0.92 : 0.9);
            yield return new PlacementCandidate(path, located.Place, confidence, reason, own is null && !overlay.PackHas(path), fit.Doubt);
            yield break;
        }
    }

    private static string SmallEnding(string name) =>
        name.LastIndexOf('.') is > 0 and var dot ? name[..dot] + name[dot..].ToLowerInvariant() : name;

    private static int LiteralsOf(PathPattern pattern) =>
        pattern.Text.Split('/').Count(s => !s.Contains('{', StringComparison.Ordinal) && s != "**");

    /// <summary>True where the file could stand in the place by its content: a picture of any format can be made one of another.</summary>
    private static bool Takes(Place place, TrayContent content, PlaceContent kind) =>
        place.Content == kind
        && (kind != PlaceContent.Picture || place.PictureFormat is { TakesOthers: true } || content.Format == place.Format);

    /// <summary>An entry that one kind accepts goes where its id, or failing that its name, says.</summary>
    private IEnumerable<PlacementCandidate> ByEntry(JsonText entry)
    {
        foreach (var place in overlay.Profile.Places)
        {
            if (place.Kind is not { } kind || place.Pattern is null || !place.Editions.Holds(overlay.Edition)) continue;
            if (kind.Judge(entry).Count > 0) continue;
            if (place.Pattern.Placeholders.Count == 0)
                yield return new PlacementCandidate(place.Pattern.Fill(Bindings.None)!.Value, place, 0.85, $"it reads as {place.One}");
            if (place.Id is { } pointer && entry.FindString(pointer) is { } own && overlay.EntryOf(place, own) is { } there)
            {
                yield return new PlacementCandidate(there.Path, place, ById, $"its id is “{own}”");
                continue;
            }

            foreach (var names in place.RulesOf<NamesAgreeRule>(overlay.Edition))
            {
                if (entry.FindString(names.Field) is not { } id) continue;
                var name = Id.NameIn(id);
                if (place.Pattern.Fill(Bindings.Of([(names.Placeholder, name)])) is not { } target) continue;
                var isNew = overlay.Base.Find(target) is null && !overlay.PackHas(target);
                yield return new PlacementCandidate(target, place, ById, $"its id is “{id}”", isNew);
            }
        }
    }

    private List<PlacementCandidate> ByName(SpokenPath spoken, TrayContent content, PlaceContent kind)
    {
        List<PlacementCandidate> Scored(IEnumerable<KnownTarget> targets) =>
            [.. targets.Select(t => Score(spoken, content, kind, t)).OfType<PlacementCandidate>()];
        // Only where no thing is named does the word for its part alone tell anything.
        return Scored(parts.With(known.WithAny(spoken))) is { Count: > 0 } named ? named : Scored(known.WithRole(spoken));
    }

    /// <summary>A name that the host gave up in a later edition leads to the one that it has now.</summary>
    private IEnumerable<PlacementCandidate> ByOldName(SpokenPath spoken, TrayContent content, PlaceContent kind)
    {
        var name = string.Join('_', spoken.Name.Tokens.Select(t => t.Text));
        var given = overlay.Profile.Renamed.Where(r => r.Old == name && r.Since.Order <= overlay.Edition.Order);
        foreach (var (rule, place) in given.SelectMany(r => r.Places.Select(key => (r, overlay.Profile.Place(key)))))
        {
            var bindings = Bindings.Of([(rule.Placeholder, rule.New)]);
            if (!Takes(place, content, kind) || !place.Editions.Holds(overlay.Edition)) continue;
            if (place.Pattern?.Fill(bindings) is not { } target || overlay.Base.Find(target) is not { } own) continue;
            var fit = PlaceFit.Of(overlay, place, bindings, own, content);
            var reason = $"{overlay.Profile.Title} called it “{name}” before {rule.Since.Key}{fit.Says}";
            yield return new PlacementCandidate(target, place, OldName, reason, Doubt: fit.Doubt);
        }
    }

    private PlacementCandidate? Score(SpokenPath spoken, TrayContent content, PlaceContent kind, KnownTarget target)
    {
        if (!Takes(target.Place, content, kind) && !(kind == PlaceContent.Picture && IsBasesOwnFormat(target))) return null;
        if (content.Header is { } header && !header.Contains(target.Place.Table!.Key)) return null;
        var match = NameMatch.Of(spoken, target);
        if (!match.MayMean(target)) return null;
        if (content.Entry is { } entry && target.Place.Kind!.Judge(entry).Count > 0) return null;
        var fit = PlaceFit.Of(overlay, target.Place, target.Bindings, target.Base, content);
        if (match.Likelihood(target, fit) is not { } score) return null;
        var leftOut = string.Join(' ', spoken.Name.LeftOut.Split(' ').Where(w => !target.Identity.Contains(w.ToLowerInvariant())));
        if (match.IsTold && leftOut.Length < spoken.Name.LeftOut.Length) score += ForOwnWord;
        if (content.Format == target.Place.Format && target.Place.PictureFormat is { TakesOthers: false }) score += AsItIs;
        if (match.IsTold && target.Bare.Count > 0 && !spoken.Pieces.Contains(target.Identity[0])) score -= WithoutPrefix;
        var saysLeft = leftOut.Length > 0 && match is { IsTold: true, Number: Told.Whole } && target is { Number: null, Choice: null };
        var reason = $"{Says(match, target)}{(saysLeft ? $" but for “{leftOut}”" : "")}{fit.Says}";
        // Part of a name is never sure, however well the size fits.
        var (confidence, doubt) = (Math.Clamp(score + SizeBonus(fit), 0, match.Identity == Told.Part ? AlmostSure : 0.97), fit.Doubt);
        if (match.Identity == Told.Part && target.HasOtherNumber(spoken.Name))
            (confidence, doubt) = (Math.Min(confidence, OtherNumber), "it has another number");
        if (match.Suffix.Length > 0) doubt = $"“{match.Suffix}” behind the name says that it is another of its pictures";
        if (IsBasesOwnFormat(target) && content.Format != target.Place.Format)
        {
            var becomes = $"the base has a {target.Place.Format} here, which beats every PNG: yours becomes one";
            return new PlacementCandidate(target.Path, target.Place, confidence, $"{reason}; {becomes}", Doubt: doubt);
        }

        if (fit.IsOutranked) confidence = Math.Min(confidence, Outranked);
        var isNew = target.Base is null && !overlay.PackHas(target.Path);
        return new PlacementCandidate(target.Path, target.Place, confidence, reason, isNew, doubt);
    }

    /// <summary>A DDS of the base's, say, in whose place a picture of another format becomes one.</summary>
    private static bool IsBasesOwnFormat(KnownTarget target) =>
        target is { Place.PictureFormat.TakesOthers: false, Base: not null };

    private static double SizeBonus(PlaceFit fit)
    {
        if (fit.Says.Length == 0) return 0;
        // Where the place takes one size only, a picture of that size says a lot.
        if (fit.IsAllowed) return fit.IsExact ? 0.25 : 0.06;
        return fit.IsSameShape ? -0.04 : -0.2;
    }

    private static string Says(NameMatch match, KnownTarget target)
    {
        var role = target.Role.Count > 0 && match.HasRole ? $"“{string.Join(' ', target.Role)}”" : "";
        var member = target.Choice is not null && match.Choice == Told.Whole ? $"“{target.Choice}”"
            : target.Number is not null && match.Number >= Told.Slip ? $"the number {target.Number}"
            : "";
        var name = target.Identity.Count == 0 ? "" : match switch
        {
            { Identity: Told.Whole, FromFolder: true } => "the folder has its name",
            { Identity: Told.Whole } => "the name",
            { Identity: Told.Slip } => "the name but for a letter",
            { Suffix.Length: > 0 } => $"the name and “{match.Suffix}”",
            { Identity: Told.Part, Share: >= 0.5 } => "part of the name",
            _ => "",
        };
        var parts = new[] { name, member, role }.Where(p => p.Length > 0).ToList();
        return parts.Count == 0 ? "the size" : string.Join(" and ", parts);
    }

    /// <summary>A place whose one path the manifest names: what is called like it, or has the only size that it takes.</summary>
    private IEnumerable<PlacementCandidate> ByManifest(SpokenPath spoken, TrayContent content, PlaceContent kind)
    {
        foreach (var place in overlay.Profile.Places.Where(p => p.ManifestField is not null && p.Content == kind))
        {
            if (!place.Editions.Holds(overlay.Edition)) continue;
            var rule = place.RulesOf<SizeRule>(overlay.Edition).FirstOrDefault(r => r.IsExact);
            var fits = content.Size is { } size && rule is not null && rule.Judge(size) is null;
            var named = spoken.Name.Words.Contains(place.Key, StringComparer.Ordinal);
            if (!fits && !named) continue;
            var says = (fits, named) switch
            {
                (true, true) => $"the name, and {content.Size} as wanted",
                (true, false) => $"{content.Size} as {place.One} has it",
                _ => "the name",
            };
            var naming = overlay.Pack.Manifest.FindPath(place.ManifestField!) is null ? "; the manifest will name it" : "";
            var confidence = fits && named ? 0.97 : fits ? 0.7 : 0.6;
            yield return new PlacementCandidate(ManifestNaming.PathOf(overlay.Pack.Manifest, place), place, confidence, says + naming);
        }
    }

    /// <summary>The manifest of a folder that was dropped in whole.</summary>
    private PlacementCandidate? ByManifestItself(TreeFile file, TrayContent content)
    {
        var rule = overlay.Profile.Manifest;
        var isCalledSo = file.Path.FileName == rule.Path.FileName;
        var mayBe = isCalledSo || content.Entry is not null;
        var title = mayBe && rule.Format.Read(file.ReadAll()) is { Problem: null } text && rule.Kind.Judge(text).Count == 0
            ? text.FindString(rule.TitleField)
            : null;
        if (!isCalledSo && title is null) return null;
        var reason = title is null ? "it is called like the manifest" : $"it is the manifest of “{title}”";
        var doubt = overlay.PackHas(rule.Path) ? "the pack has a manifest already" : null;
        return new PlacementCandidate(rule.Path, null, isCalledSo ? 0.9 : 0.7, reason, Doubt: doubt);
    }

    /// <summary>Without a name to go by, a size that one place alone takes says at least which place it is.</summary>
    private IEnumerable<PlacementCandidate> BySize(TrayContent content)
    {
        if (content.Size is not { } size) return [];
        var places = overlay.Profile.Places
            .Where(p => p.Pattern is not null && p.RulesOf<SizeRule>(overlay.Edition).Any(r => r.IsExact && r.Judge(size) is null))
            .ToList();
        if (places is not [var place]) return [];
        return known.OfBase
            .Where(k => k.Place == place && !overlay.PackHas(k.Path))
            .Select(k => new PlacementCandidate(k.Path, place, Least, $"{size} fits {place.Title.ToLowerInvariant()} only"));
    }

    /// <summary>Without a name to go by, the base's pictures that it looks like, of its size or some times that.</summary>
    private IEnumerable<PlacementCandidate> ByLook(TrayContent content)
    {
        if (content is not { Size: { } size, Picture: { } picture }) return [];
        var grid = LookGrid.Of(picture);
        var near = known.OfBase
            .Where(k => k.Place?.PictureFormat is { TakesOthers: true })
            .Where(k => k.Base!.Facts.Picture?.Header?.Size is { } own && IsTimes(size, own))
            .Select(k => (Target: k, Distance: LookRank.Distance(overlay, grid, k.Path) ?? double.MaxValue))
            .Where(k => k.Distance <= LikeOwn)
            .OrderBy(k => k.Distance).ThenBy(k => k.Target.Path)
            .Take(MostOthers);
        return near.Select(k => k.Distance <= Same
            ? new PlacementCandidate(k.Target.Path, k.Target.Place, Copied, "it is the base’s own picture")
            : new PlacementCandidate(k.Target.Path, k.Target.Place, Least, LooksLikeOwn));
    }

    /// <summary>Without a name to go by, the base's sounds that it is like: the same, played again.</summary>
    private IEnumerable<PlacementCandidate> BySound(TrayContent content)
    {
        if (content.Shape is not { } shape) return [];
        var near = known.OfBase
            .Where(k => k.Place is { Content: PlaceContent.Sound })
            .Select(k => (Target: k, Distance: SoundRank.Distance(overlay, shape, k.Path) ?? double.MaxValue))
            .Where(k => k.Distance <= LikeSound)
            .OrderBy(k => k.Distance).ThenBy(k => k.Target.Path)
            .Take(MostOthers)
            .ToList();
        var standsOut = near.Count == 1 || (near.Count > 1 && near[0].Distance * 2 < near[1].Distance);
        return near.Select((k, index) => new PlacementCandidate(
            k.Target.Path,
            k.Target.Place,
            index == 0 && standsOut ? Copied : Alike,
            SoundsLikeOwn));
    }

    /// <summary>True where one size is another, or a whole number of times it.</summary>
    private static bool IsTimes(PixelSize one, PixelSize other)
    {
        var (large, small) = one.Width >= other.Width ? (one, other) : (other, one);
        return large.Width % small.Width == 0 && large.Height == large.Width / small.Width * small.Height;
    }
}

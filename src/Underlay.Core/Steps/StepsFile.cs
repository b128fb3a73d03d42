using System.Runtime.CompilerServices;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Formats;
using Underlay.Core.Formats.Json;
using Underlay.Core.Formats.Png;
using Underlay.Core.Images;
using Underlay.Core.Packs;

namespace Underlay.Core.Steps;

/// <summary>What a file of steps is about, without the steps.</summary>
/// <param name="Picture">The picture that they made.</param>
/// <param name="KeptAt">Where its source is kept.</param>
/// <param name="Source">Hash of the source on which they ran.</param>
/// <param name="Result">Hash of what came of them.</param>
public sealed record StepsHead(PackPath Picture, PackPath KeptAt, ContentHash Source, ContentHash Result);

/// <summary>The steps of one picture, as the pack keeps them in <c>.underlay/steps/{path}.json</c> (docs/pack-files.md).</summary>
/// <param name="Source">Hash of the source on which they ran.</param>
/// <param name="Steps">In order.</param>
/// <param name="Result">Hash of what came of them.</param>
public sealed record StepsFile(ContentHash Source, IReadOnlyList<Step> Steps, ContentHash Result)
{
    private const string LearnedKey = "steps/1";

    private static readonly string Ending = FileFormats.Json.Endings[0];

    private static readonly ConditionalWeakTable<TreeFile, StrongBox<StepsHead?>> Heads = [];

    /// <summary>Where the steps of a picture are kept.</summary>
    public static PackPath PathOf(PackPath picture) => PackPath.Parse($"{ReservedFolder.Steps}/{picture}{Ending}");

    /// <summary>The first step that is not known and so keeps them from running, or null.</summary>
    public UnknownStep? Unknown => Steps.OfType<UnknownStep>().FirstOrDefault();

    /// <summary>All files of steps that a pack has.</summary>
    public static IEnumerable<TreeFile> All(FileTree tree) =>
        tree.Files.Where(f => f.Path.IsBelow(ReservedFolder.Steps) && f.Path.Value.EndsWith(Ending, StringComparison.Ordinal));

    /// <summary>Why a file of steps cannot be read; null where it can.</summary>
    public static TextProblem? FindProblem(FileTree tree, TreeFile file)
    {
        var text = JsonText.Parse(file.ReadAll());
        if (text.Problem is { } problem) return problem;
        if (PictureOf(file) is { } picture && Read(tree, picture) is not null) return null;
        var bare = text.FindAll("/steps/*").FirstOrDefault(s => text.FindString($"{s.Pointer}/do") is null).Pointer;
        return bare is null
            ? new TextProblem(text.Locate(""), "“source” and “result”, two hashes, and a list “steps” are wanted")
            : new TextProblem(text.Locate(bare), "a step says in “do” what it does");
    }

    /// <summary>The steps of a picture, or null when there are none or their file cannot be read.</summary>
    public static StepsFile? Read(FileTree tree, PackPath picture)
    {
        if (!tree.TryFind(PathOf(picture), out var file)) return null;
        var text = JsonText.Parse(file.ReadAll());
        if (!ContentHash.TryParse(text.FindString("/source"), out var source)
            || !ContentHash.TryParse(text.FindString("/result"), out var result))
            return null;
        if (text.Find("/steps") is not { ValueKind: JsonValueKind.Array } list) return null;
        var context = new StepContext(hash => FindKept(tree, hash), () => null, () => null);
        var steps = new List<Step>();
        foreach (var item in list.EnumerateArray())
        {
            if (StepReader.Read(item, context) is not { } step) return null;
            steps.Add(step);
        }

        return new StepsFile(source, steps, result);
    }

    /// <summary>What a file of steps is about; null where it cannot be read.</summary>
    /// <remarks>Asked of every shaped picture at each check, so read once for each file.</remarks>
    public static StepsHead? HeadOf(FileTree tree, TreeFile file) =>
        Heads.GetValue(file, _ => new StrongBox<StepsHead?>(ReadHead(tree, file))).Value;

    /// <summary>Tells a file of steps what was found in the same bytes while they lay elsewhere.</summary>
    public static void Transfer(TreeFile from, TreeFile to)
    {
        if (!Heads.TryGetValue(from, out var head) || !Heads.TryAdd(to, head) || head.Value is not { } known) return;
        to.Content.Learn(LearnedKey, () => Learned(known.Source, known.Result));
    }

    /// <summary>True when the picture has a file of steps that cannot be read: it is not to be overwritten.</summary>
    public static bool IsUnreadable(FileTree tree, PackPath picture) =>
        tree.Find(PathOf(picture)) is not null && Read(tree, picture) is null;

    /// <summary>The pictures that steps need beside the source, as the pack keeps them by their hash.</summary>
    public static IEnumerable<TreeEdit.Write> Pictures(IEnumerable<Step> steps) =>
        steps
            .SelectMany(s => s.Pictures)
            .Select(FileFormats.Png.Encode)
            .Select(png => new TreeEdit.Write(KeptPath(ContentHash.Of(png)), png))
            .DistinctBy(w => w.Path);

    /// <summary>A picture that the pack keeps for its steps, or null.</summary>
    public static RgbaPicture? FindKept(FileTree tree, ContentHash hash) =>
        tree.Find(KeptPath(hash)) is { } kept && PngReader.Decode(kept.ReadAll()) is { Rgba: { } rgba, Size: var size }
            ? new RgbaPicture(size, rgba)
            : null;

    /// <summary>The file that keeps the steps of a picture.</summary>
    public TreeEdit.Write WriteFor(PackPath picture)
    {
        var json = new JsonObject
        {
            ["source"] = Source.Hex,
            ["steps"] = new JsonArray([.. Steps.Select(s => s.ToJson())]),
            ["result"] = Result.Hex,
        };
        return new TreeEdit.Write(PathOf(picture), JsonBytes.OnLines(json));
    }

    private static StepsHead? ReadHead(FileTree tree, TreeFile file)
    {
        if (PictureOf(file) is not { } picture) return null;
        if (file.Content.FindLearned(LearnedKey) is { } learned
            && Encoding.ASCII.GetString(learned).Split(' ') is [var from, var to]
            && ContentHash.TryParse(from, out var source)
            && ContentHash.TryParse(to, out var result))
            return new StepsHead(picture, ReservedFolder.SourceOf(picture), source, result);
        if (Read(tree, picture) is not { } steps) return null;
        file.Content.Learn(LearnedKey, () => Learned(steps.Source, steps.Result));
        return new StepsHead(picture, ReservedFolder.SourceOf(picture), steps.Source, steps.Result);
    }

    /// <summary>The picture that a file of steps is about; null for another file.</summary>
    private static PackPath? PictureOf(TreeFile file)
    {
        var name = file.Path.Value[(ReservedFolder.Steps.Length + 1)..];
        return name.EndsWith(Ending, StringComparison.Ordinal) && PackPath.TryParse(name[..^Ending.Length], out var picture, out _)
            ? picture
            : null;
    }

    private static byte[] Learned(ContentHash source, ContentHash result) => Encoding.ASCII.GetBytes($"{source.Hex} {result.Hex}");

    private static PackPath KeptPath(ContentHash hash) => PackPath.Parse($"{ReservedFolder.Name}/pictures/{hash.Hex}.png");
}

using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Packs;
using Underlay.Core.Steps;
using Underlay.Server.Hosting;
using Underlay.Server.Packs;

namespace Underlay.Server.Pictures;

/// <summary>Steps of pictures and sounds as pages ask for them.</summary>
internal static class StepPlates
{
    /// <summary>Why the steps of a file cannot be shown or run; null where they can.</summary>
    public static string? ProblemOf(FileTree tree, PackPath path)
    {
        if (StepsFile.IsUnreadable(tree, path))
            return $"The file of its steps, {StepsFile.PathOf(path)}, cannot be read and is not overwritten. Mend it, or take it out of "
                + $"the pack.";
        return StepsFile.Read(tree, path)?.Unknown is { } unknown
            ? $"One of its steps is {unknown.Title}; it is kept as it is, and no step runs until it is taken off."
            : null;
    }

    /// <summary>A step as a page asks for it; it may leave to the picture what it lays over or cuts away.</summary>
    public static Step Read(PackSnapshot snapshot, PackPath path, JsonElement step, StepContext context)
    {
        var read = StepReader.Read(step, context) ?? throw ProblemException.Unsound("A step is an object with its word under “do”.");
        // One that the pack has already stays as it is; another that cannot be read is a mistake of the request.
        var isKept = read is not UnknownStep
            || StepsFile.Read(snapshot.Tree, path)?.Steps.Any(s => JsonNode.DeepEquals(s.ToJson(), read.ToJson())) == true;
        return isKept
            ? read
            : throw ProblemException.Unsound(
                $"The step “{((UnknownStep)read).Word}” cannot be read: its word is not known, a field is missing or outside its "
                    + $"range, "
                    + $"or the base has no picture that it needs.");
    }
}

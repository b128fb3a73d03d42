namespace Underlay.Core.Packs;

/// <summary>Why a name cannot be a path in a pack.</summary>
/// <remarks>The list is that of docs/hosts.md, "Unsafe names"; each member is one line there.</remarks>
public enum PathProblem
{
    /// <summary>The name is empty.</summary>
    Empty,

    /// <summary>It starts with a slash.</summary>
    Absolute,

    /// <summary>It holds a backslash, which some systems read as a folder separator.</summary>
    Backslash,

    /// <summary>A segment is "." or "..".</summary>
    Traversal,

    /// <summary>Two slashes stand together, or one stands at the end.</summary>
    EmptySegment,

    /// <summary>It holds a control character, half a character, or the one that stands for bytes that could not be read (U+FFFD).</summary>
    ControlCharacter,

    /// <summary>It holds one of <c>: * ? " &lt; &gt; |</c>; a colon also covers drive letters.</summary>
    ReservedCharacter,

    /// <summary>A segment is a name that some systems keep for devices, such as "con" or "nul.png".</summary>
    ReservedName,

    /// <summary>A segment ends with a dot or a space, which some systems cut off.</summary>
    TrailingDotOrSpace,

    /// <summary>It is longer than 400 characters.</summary>
    TooLong,

    /// <summary>It is not in Unicode normal form C.</summary>
    NotNormal,

    /// <summary>It differs from another name in the same tree in case only, or not at all.</summary>
    Collides,

    /// <summary>It is the name of a file and of a folder in the same tree.</summary>
    FileAndFolder,

    /// <summary>It is a symbolic link or another file that is not a plain one.</summary>
    NotAPlainFile,
}

/// <summary>Words for <see cref="PathProblem"/>.</summary>
public static class PathProblems
{
    /// <summary>The end of a sentence that begins with the name: "… leaves the pack".</summary>
    public static string Says(this PathProblem problem) => problem switch
    {
        PathProblem.Empty => "has no name",
        PathProblem.Absolute => "starts at the root of the disk",
        PathProblem.Backslash => "holds a backslash",
        PathProblem.Traversal => "holds a “.” or “..” folder and could leave the pack",
        PathProblem.EmptySegment => "holds an empty folder name",
        PathProblem.ControlCharacter => "holds a control character or one that could not be read",
        PathProblem.ReservedCharacter => "holds a character that some systems reserve (: * ? \" < > |)",
        PathProblem.ReservedName => "holds a name that some systems keep for devices",
        PathProblem.TrailingDotOrSpace => "holds a folder or file name that ends with a dot or a space",
        PathProblem.TooLong => "is longer than 400 characters",
        PathProblem.NotNormal => "is not in Unicode normal form C",
        PathProblem.Collides => "differs from another name in upper and lower case only, or not at all",
        PathProblem.FileAndFolder => "belongs to a file and a folder at once",
        PathProblem.NotAPlainFile => "is a link or another file that is not a plain one",
        _ => throw new ArgumentOutOfRangeException(nameof(problem)),
    };
}

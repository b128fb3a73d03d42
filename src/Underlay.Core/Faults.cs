using System.Runtime.InteropServices;

namespace Underlay.Core;

/// <summary>
/// Tells faults of our own code from what a disk, a database or a cancelled request does. One file at which we fail is set aside, so
/// that it takes no other file along; what lies around the program is nobody's file.
/// </summary>
public static class Faults
{
    /// <summary>True where something threw that a file may have led to.</summary>
    public static bool IsOurs(Exception problem) => problem switch
    {
        AggregateException several => several.InnerExceptions.All(IsOurs),
        OperationCanceledException or IOException or UnauthorizedAccessException or TimeoutException => false,
        // What databases and sockets throw is of this kind.
        ExternalException or ObjectDisposedException or InsufficientExecutionStackException => false,
        _ => problem.InnerException is not { } inner || IsOurs(inner),
    };

    /// <summary>The fault itself, without what work on several threads wraps it in.</summary>
    public static Exception Innermost(Exception problem) =>
        problem is AggregateException { InnerExceptions: [var first, ..] } ? Innermost(first) : problem;
}

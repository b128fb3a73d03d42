namespace Underlay.Data.Operations;

/// <summary>How an operation came about.</summary>
public enum OperationKind
{
    /// <summary>By the author's act.</summary>
    Act,

    /// <summary>As the inverse of an act.</summary>
    Undo,

    /// <summary>As an undone act done again.</summary>
    Redo,
}

/// <summary>How an act stands now.</summary>
public enum OperationState
{
    /// <summary>Its effect holds; it can be undone.</summary>
    Standing,

    /// <summary>It was undone and can be done again.</summary>
    Undone,

    /// <summary>It was undone, and something else was done since.</summary>
    Abandoned,
}

/// <summary>One thing done to a pack: the header. The log is only ever added to.</summary>
public sealed class Operation
{
    /// <summary>Number in the log.</summary>
    public long Id { get; init; }

    /// <summary>The pack.</summary>
    public Guid PackId { get; init; }

    /// <summary>The pack's revision after it.</summary>
    public long Revision { get; init; }

    /// <summary>When.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>By whom: "author" or the name of a job.</summary>
    public required string By { get; init; }

    /// <summary>What, as the author would say it: "Place 31 files".</summary>
    public required string What { get; init; }

    /// <summary>How it came about.</summary>
    public OperationKind Kind { get; init; }

    /// <summary>How it stands; inverses themselves always stand.</summary>
    public OperationState State { get; set; }

    /// <summary>How many files it changed.</summary>
    public int Files { get; init; }

    /// <summary>The paths of the files that it changed.</summary>
    public required string[] Paths { get; init; }

    /// <summary>SHA-256 of each before; null where there was no file.</summary>
    public required string?[] HashesBefore { get; init; }

    /// <summary>SHA-256 of each after; null where there is none.</summary>
    public required string?[] HashesAfter { get; init; }

    /// <summary>The same as rows, to be read.</summary>
    public IReadOnlyList<OperationRow> Rows { get; init; } = [];
}

/// <summary>One file that an operation changed. It is written with its operation, as one value: thousands are written at once.</summary>
public sealed class OperationRow
{
    /// <summary>The operation.</summary>
    public long OperationId { get; init; }

    /// <summary>The path.</summary>
    public required string Path { get; init; }

    /// <summary>SHA-256 before; null when there was no file.</summary>
    public string? HashBefore { get; init; }

    /// <summary>SHA-256 after; null when there is none.</summary>
    public string? HashAfter { get; init; }
}

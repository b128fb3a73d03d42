namespace Underlay.Data.Jobs;

/// <summary>How far a job is.</summary>
public enum JobState
{
    /// <summary>Waiting.</summary>
    Queued,

    /// <summary>Under way.</summary>
    Running,

    /// <summary>Finished as wanted.</summary>
    Done,

    /// <summary>Ended by a problem.</summary>
    Failed,

    /// <summary>Ended by the author.</summary>
    Cancelled,
}

/// <summary>Long work on a pack.</summary>
public sealed class Job
{
    /// <summary>Names it in addresses.</summary>
    public Guid Id { get; init; }

    /// <summary>The pack.</summary>
    public Guid PackId { get; init; }

    /// <summary>What it does: "build" or "trial".</summary>
    public required string Kind { get; init; }

    /// <summary>Work with the same key is the same work.</summary>
    public required string Key { get; init; }

    /// <summary>How far it is.</summary>
    public JobState State { get; set; }

    /// <summary>Steps that are done.</summary>
    public int Done { get; set; }

    /// <summary>Steps in all; 0 while unknown.</summary>
    public int Total { get; set; }

    /// <summary>What it is doing, or why it ended, in words.</summary>
    public string Message { get; set; } = "";

    /// <summary>True when the author wants it to end.</summary>
    public bool CancelAsked { get; set; }

    /// <summary>Who carries it out: a token of each taking, so that who was taken for gone does not go on with it.</summary>
    public Guid? Owner { get; set; }

    /// <summary>Until when the node that carries it out has it; past that, the node is gone and another takes it up.</summary>
    public DateTimeOffset? HeldUntil { get; set; }

    /// <summary>What was asked for, as JSON.</summary>
    public required string Request { get; init; }

    /// <summary>What came of it, as JSON.</summary>
    public string? Result { get; set; }

    /// <summary>When it was asked for.</summary>
    public DateTimeOffset CreatedAt { get; init; }

    /// <summary>When it ended.</summary>
    public DateTimeOffset? EndedAt { get; set; }
}

namespace Underlay.Data.Operations;

/// <summary>
/// A write that was made, by the key that its sender gave it: sent again, because the answer was lost, it is answered and not
/// made again. Kept in the write's own transaction.
/// </summary>
public sealed class KeptWrite
{
    /// <summary>The sender's key.</summary>
    public Guid Key { get; init; }

    /// <summary>When it was made.</summary>
    public DateTimeOffset At { get; init; }

    /// <summary>The status that was answered; null while the answer is not known.</summary>
    public int? Status { get; set; }

    /// <summary>Where the answer said that what was made is.</summary>
    public string? Location { get; set; }

    /// <summary>The answer, JSON.</summary>
    public string? Answer { get; set; }
}

namespace Underlay.Core.Hosts.Rules;

/// <summary>The sound has one of some rates.</summary>
/// <param name="Allowed">Frames a second, Hz, from the lowest.</param>
/// <param name="Else">What comes of another.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record RatesRule(
    IReadOnlyList<int> Allowed,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions)
{
    /// <summary>The rate to which another is best brought: the next higher, else the highest.</summary>
    public int Nearest(int rate) => Allowed.Where(a => a >= rate).DefaultIfEmpty(Allowed.Max()).Min();
}

/// <summary>The sound has at most so many channels.</summary>
/// <param name="Most">1 for mono.</param>
/// <param name="Else">What comes of more.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record ChannelsRule(int Most, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>The sound is of some length.</summary>
/// <param name="Least">Seconds.</param>
/// <param name="Most">Seconds.</param>
/// <param name="Else">What comes of another.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record LengthRule(double Least, double Most, Consequence Else, Basis Basis, EditionSpan Editions)
    : Rule(Else, Basis, Editions);

/// <summary>Sounds are numbered from 1 without a gap, over all places that are named.</summary>
/// <param name="Placeholder">The placeholder with the number.</param>
/// <param name="Places">Keys of the places whose files count, with the same other placeholders.</param>
/// <param name="Else">What comes of one behind a gap.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record NumberedRule(
    string Placeholder,
    IReadOnlyList<string> Places,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>Nothing in such a folder is played.</summary>
/// <param name="Folders">Those that are, in words.</param>
/// <param name="Else">What comes of it.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record NeverPlayedRule(string Folders, Consequence Else, Basis Basis, EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>A table beside the sound's folder has a row with its name, whose loop lies inside the sound.</summary>
/// <param name="Table">The place of the tables; its path is filled in with the sound's own placeholders.</param>
/// <param name="Placeholder">The placeholder whose value is the key of the row.</param>
/// <param name="LoopFrom">The column with the loop's first frame; empty for no loop.</param>
/// <param name="LoopTo">The column with the frame behind its last.</param>
/// <param name="Gain">The column with the gain. dB; empty for none.</param>
/// <param name="Else">What comes of a sound without a row, or with a loop that is not inside it.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record SoundRowRule(
    string Table,
    string Placeholder,
    string LoopFrom,
    string LoopTo,
    string Gain,
    Consequence Else,
    Basis Basis,
    EditionSpan Editions) : Rule(Else, Basis, Editions);

/// <summary>How a sound should be made, for the sake of those who hear it: what the host does not mind.</summary>
/// <param name="MostPeak">The highest true peak. dBTP.</param>
/// <param name="MostLead">The longest silence in front. Seconds.</param>
/// <param name="Beside">
/// The placeholder that sounds which are heard beside each other share; null where one loudness is asked of all.
/// </param>
/// <param name="Loudness">The loudness that is asked of all. LUFS.</param>
/// <param name="Apart">How far it may be from that, or from the usual loudness of the base's sounds beside it. LU.</param>
/// <param name="Basis">How it is known.</param>
/// <param name="Editions">Where it holds.</param>
public sealed record HeardRule(
    double MostPeak,
    double MostLead,
    string? Beside,
    double? Loudness,
    double Apart,
    Basis Basis,
    EditionSpan Editions) : Rule(Consequence.Regret, Basis, Editions);

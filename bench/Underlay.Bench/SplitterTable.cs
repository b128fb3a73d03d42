using System.Diagnostics;
using System.Globalization;
using Underlay.Core.Sounds;
using Underlay.Testing;

namespace Underlay.Bench;

/// <summary>Tells how well made-up recordings of many sounds are split, and how fast.</summary>
internal static class SplitterTable
{
    private const int Takes = 40;

    public static void Print(int sessions, TextWriter to)
    {
        to.WriteLine("| what | spoken | told | rightly | precision | recall |");
        to.WriteLine("|---|---:|---:|---:|---:|---:|");
        var told = new List<(PartKind Kind, PartKind Is)>();
        var (missed, seconds, begun) = (0, 0.0, Stopwatch.GetTimestamp());
        for (var seed = 1; seed <= sessions; seed++)
        {
            var session = RecordedSession.Make(Takes, seed);
            seconds += session.Sound.Seconds;
            var parts = Splitter.Split(session.Sound);
            foreach (var spoken in session.Spoken)
            {
                var middle = (spoken.From + spoken.To) / 2;
                var kind = spoken.Name.Length == 0 ? PartKind.Noise : spoken.IsLast ? PartKind.Take : PartKind.Repeated;
                if (parts.FirstOrDefault(p => p.From <= middle && p.To > middle) is { } part) told.Add((part.Kind, kind));
                else missed++;
            }
        }

        foreach (var kind in Enum.GetValues<PartKind>())
        {
            var (spoken, named) = (told.Count(t => t.Is == kind), told.Count(t => t.Kind == kind));
            var right = told.Count(t => t.Kind == kind && t.Is == kind);
            to.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"| {kind} | {spoken} | {named} | {right} | {100.0 * right / named:0.0} % | {100.0 * right / spoken:0.0} % |"));
        }

        var took = Stopwatch.GetElapsedTime(begun).TotalSeconds;
        to.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"{missed} not heard at all; {seconds / 60:0} minutes of recording made and split in {took:0.0} s"));
    }
}

using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using Underlay.Core.Checks;
using Underlay.Core.Findings;
using Underlay.Core.Hosts;

namespace Underlay.Cli;

/// <summary>Writes the report of a check as text or JSON.</summary>
internal static class ReportWriter
{
    private const int MostParts = 8;

    public static string Text(CheckReport report, HostProfile profile, string packName)
    {
        var text = new StringBuilder();
        text.Append(CultureInfo.InvariantCulture, $"{report.PackId ?? packName} for {report.Edition.Title}\n");
        foreach (var group in report.Findings.GroupBy(f => f.Path))
        {
            text.Append(CultureInfo.InvariantCulture, $"\n{(group.Key.Length == 0 ? "(the pack)" : group.Key)}\n");
            foreach (var finding in group)
            {
                var waived = finding.Waiver is { } waiver ? $" (waived: {waiver.Reason})" : "";
                text.Append(CultureInfo.InvariantCulture, $"  {Word(finding.Severity)}  {finding.Code}{waived}\n      {finding.Message}\n");
                foreach (var part in finding.Parts.Take(MostParts)) text.Append(CultureInfo.InvariantCulture, $"        {part.Path}\n");
                if (finding.Parts.Count > MostParts)
                    text.Append(CultureInfo.InvariantCulture, $"        … and {finding.Parts.Count - MostParts} more\n");
                if (finding.Fix is { } fix) text.Append(CultureInfo.InvariantCulture, $"      Fix: {fix.Title}.\n");
            }
        }

        if (report.Findings.Count == 0)
            text.Append(CultureInfo.InvariantCulture, $"Nothing found. {profile.Title} would show every file as you made it.\n");
        else
            text.Append(
                CultureInfo.InvariantCulture,
                $"\n{Count(report.Count(Severity.Blocker), "blocker")}, {Count(report.Count(Severity.Warning), "warning")}, "
                    + $"{Count(report.Count(Severity.Note), "note")}.\n");
        if (report.Skipped.Count > 0) text.Append("The other checks could not run until this is mended.\n");
        return text.ToString();
    }

    public static string Json(CheckReport report, string packName)
    {
        var json = new JsonObject
        {
            ["pack"] = report.PackId ?? packName,
            ["host"] = report.Host,
            ["edition"] = report.Edition.Key,
            ["counts"] = new JsonObject
            {
                ["blocker"] = report.Count(Severity.Blocker),
                ["warning"] = report.Count(Severity.Warning),
                ["note"] = report.Count(Severity.Note),
            },
            ["findings"] = new JsonArray([.. report.Findings.Select(Json)]),
            ["skipped"] = new JsonArray([.. report.Skipped.Select(c => (JsonNode)c.Value)]),
        };
        return json.ToJsonString(Output.Json) + "\n";
    }

    public static string Count(int number, string word) =>
        string.Create(CultureInfo.InvariantCulture, $"{number} {word}{(number == 1 ? "" : word.EndsWith('x') ? "es" : "s")}");

    private static JsonNode Json(Finding finding) => new JsonObject
    {
        ["code"] = finding.Code.Value,
        ["severity"] = Word(finding.Severity).Trim(),
        ["path"] = finding.Path,
        ["pointer"] = finding.Pointer,
        ["message"] = finding.Message,
        ["fix"] = finding.Fix?.Title,
        ["waived"] = finding.Waiver is not null,
        ["outcomes"] = Outcomes(finding),
        ["files"] = new JsonArray([.. finding.Parts.Select(p => (JsonNode)p.Path)]),
    };

    /// <summary>All that the host would report because of a finding, of other files too.</summary>
    public static JsonArray Outcomes(Finding finding) =>
        new(
            [
                .. finding.Predicts.Select(
                    p =>
                        new JsonObject
                        {
                            ["path"] = p.Path,
                            [p.Kind switch { PredictionKind.Outcome => "as", PredictionKind.Drop => "dropped", _ => "unlisted" }] = p.Code,
                        }),
            ]);

    private static string Word(Severity severity) => severity switch
    {
        Severity.Blocker => "blocker",
        Severity.Warning => "warning",
        _ => "note   ",
    };
}

using System.Reflection;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;
using Underlay.Core.Checks;
using Underlay.Core.Decisions;
using Underlay.Core.Findings;

namespace Underlay.Cli;

/// <summary>Writes the report of a check for tools that show findings beside files.</summary>
/// <remarks>Static Analysis Results Interchange Format (SARIF) 2.1.0, OASIS.</remarks>
internal static class SarifWriter
{
    private const string PackRoot = "PACK";

    public static string Write(CheckReport report)
    {
        var rules = report.Findings.Select(f => f.Code.Value).Distinct().Order(StringComparer.Ordinal).ToList();
        var run = new JsonObject
        {
            ["tool"] = new JsonObject
            {
                ["driver"] = new JsonObject
                {
                    ["name"] = "Underlay",
                    ["version"] = typeof(SarifWriter).Assembly
                        .GetCustomAttribute<AssemblyInformationalVersionAttribute>()?.InformationalVersion
                        .Split('+')[0],
                    ["rules"] = new JsonArray([.. rules.Select(r => new JsonObject { ["id"] = r })]),
                },
            },
            ["columnKind"] = "unicodeCodePoints",
            ["results"] = new JsonArray([.. report.Findings.Select(f => Result(f, rules.IndexOf(f.Code.Value)))]),
        };
        return new JsonObject { ["version"] = "2.1.0", ["runs"] = new JsonArray(run) }.ToJsonString(Output.Json) + "\n";
    }

    private static JsonObject Result(Finding finding, int rule)
    {
        var result = new JsonObject
        {
            ["ruleId"] = finding.Code.Value,
            ["ruleIndex"] = rule,
            ["level"] = finding.Severity switch { Severity.Blocker => "error", Severity.Warning => "warning", _ => "note" },
            ["message"] = new JsonObject { ["text"] = finding.Message },
            ["partialFingerprints"] = new JsonObject { ["findingKey/v1"] = Fingerprint(finding.Key) },
        };
        if (finding.Predicts.Count > 0) result["properties"] = new JsonObject { ["outcomes"] = ReportWriter.Outcomes(finding) };
        if (finding.Parts.Count > 0)
            result["relatedLocations"] = new JsonArray(
                [
                    .. finding.Parts.Select(
                        (p, i) =>
                            new JsonObject
                            {
                                ["id"] = i,
                                ["physicalLocation"] = Place(p.Path),
                                ["message"] = new JsonObject { ["text"] = p.Message },
                            }),
                ]);
        if (finding.Path.Length > 0) result["locations"] = new JsonArray(new JsonObject { ["physicalLocation"] = Location(finding) });
        if (finding.Waiver is { } waiver)
            result["suppressions"] = new JsonArray(new JsonObject { ["kind"] = "external", ["justification"] = waiver.Reason });
        return result;
    }

    private static JsonObject Place(string path) => new()
    {
        ["artifactLocation"] = new JsonObject
        {
            ["uri"] = string.Join('/', path.Split('/').Select(Uri.EscapeDataString)),
            ["uriBaseId"] = PackRoot,
        },
    };

    private static JsonObject Location(Finding finding)
    {
        var location = Place(finding.Path);
        if (finding.At is { } at) location["region"] = new JsonObject { ["startLine"] = at.Line, ["startColumn"] = at.Column };
        return location;
    }

    private static string Fingerprint(FindingKey key) =>
        Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes($"{key.Code}\n{key.Path}\n{key.Pointer}\n{key.Discriminator}")));
}

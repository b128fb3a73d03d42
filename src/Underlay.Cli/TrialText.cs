using System.Globalization;
using System.Text;
using System.Text.Json;

namespace Underlay.Cli;

/// <summary>The report of a trial in words.</summary>
internal static class TrialText
{
    private const int MostRight = 200;

    public static bool IsAllRight(JsonElement report) =>
        report.GetProperty("packages").EnumerateArray().All(p => p.GetProperty("listed").GetBoolean())
        && report.GetProperty("dropped").GetArrayLength() == 0
        && report.GetProperty("shown").EnumerateArray().All(s => s.GetProperty("as").GetString() == "right");

    public static string Of(JsonElement report)
    {
        var text = new StringBuilder();
        text.Append(
            CultureInfo.InvariantCulture,
            $"{report.GetProperty("host").GetString()} {report.GetProperty("edition").GetString()}\n");
        foreach (var package in report.GetProperty("packages").EnumerateArray())
        {
            var state = package.GetProperty("listed").GetBoolean() ? "listed" : $"not listed: {package.GetProperty("reason").GetString()}";
            text.Append(CultureInfo.InvariantCulture, $"  {package.GetProperty("file").GetString()}  {state}\n");
        }

        var shown = report.GetProperty("shown").EnumerateArray().ToList();
        var wrong = shown.Where(s => s.GetProperty("as").GetString() != "right").ToList();
        foreach (var row in wrong)
        {
            var also = string.Concat(row.GetProperty("also").EnumerateArray().Select(a => $", {a.GetString()}"));
            text.Append(
                CultureInfo.InvariantCulture,
                $"  {row.GetProperty("as").GetString()}{also}  {row.GetProperty("path").GetString()} from "
                    + $"{row.GetProperty("from").GetString()}\n");
        }

        AppendRight(text, [.. shown.Where(s => s.GetProperty("as").GetString() == "right")]);
        foreach (var row in report.GetProperty("dropped").EnumerateArray())
            text.Append(
                CultureInfo.InvariantCulture,
                $"  dropped, {row.GetProperty("code").GetString()}  {row.GetProperty("path").GetString()} from "
                    + $"{row.GetProperty("from").GetString()}\n");
        foreach (var row in report.GetProperty("log").EnumerateArray())
            text.Append(
                CultureInfo.InvariantCulture,
                $"  {row.GetProperty("level").GetString()}  {row.GetProperty("path").GetString()}: "
                    + $"{row.GetProperty("message").GetString()}\n");
        text.Append(
            CultureInfo.InvariantCulture,
            $"{shown.Count - wrong.Count} right, {wrong.Count} not right, {report.GetProperty("dropped").GetArrayLength()} dropped.\n");
        return text.ToString();
    }

    /// <summary>Who is seen at each path; where there are many, how many are each package's.</summary>
    private static void AppendRight(StringBuilder text, List<JsonElement> right)
    {
        if (right.Count <= MostRight)
            foreach (var row in right)
                text.Append(
                    CultureInfo.InvariantCulture,
                    $"  right  {row.GetProperty("path").GetString()} from {row.GetProperty("from").GetString()}\n");
        else
            foreach (var from in right.GroupBy(r => r.GetProperty("from").GetString(), StringComparer.Ordinal))
                text.Append(CultureInfo.InvariantCulture, $"  right  {from.Count()} files from {from.Key}\n");
    }
}

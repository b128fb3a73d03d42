using System.Text.Encodings.Web;
using System.Text.Json;

namespace StandIns;

/// <summary>A package in the list, or why it is not.</summary>
public sealed record ListedPackage(string File, string? Id, bool Listed, string? Reason);

/// <summary>What the host shows at a path.</summary>
public sealed record ShownRow(string Path, string From, string As, IReadOnlyList<string> Also);

/// <summary>A file that was left out.</summary>
public sealed record DroppedRow(string Path, string From, string Code);

/// <summary>Something the host noticed.</summary>
public sealed record LogRow(string Level, string Path, string Message);

/// <summary>What came of loading packages.</summary>
public sealed record Report(
    string Host,
    string Edition,
    IReadOnlyList<ListedPackage> Packages,
    IReadOnlyList<ShownRow> Shown,
    IReadOnlyList<DroppedRow> Dropped,
    IReadOnlyList<LogRow> Log)
{
    private static readonly JsonSerializerOptions Options = new()
    {
        WriteIndented = true,
        PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The report as the trial prints it.</summary>
    public string ToJson() =>
        JsonSerializer.Serialize(
            new { host = Host, edition = Edition, packages = Packages, shown = Shown, dropped = Dropped, log = Log },
            Options)
            + "\n";
}

namespace Underlay.Core.Formats.Csv;

/// <summary>Comma-separated values, RFC 4180.</summary>
public sealed class CsvFormat : TextFormat
{
    /// <inheritdoc/>
    public override string Name => "CSV";

    /// <inheritdoc/>
    public override string One => "a CSV table";

    /// <inheritdoc/>
    public override string Language => "csv";

    /// <inheritdoc/>
    public override IReadOnlyList<string> Endings { get; } = [".csv"];
}

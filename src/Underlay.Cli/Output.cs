using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace Underlay.Cli;

/// <summary>How reports are printed.</summary>
internal static class Output
{
    public static JsonSerializerOptions Json { get; } = new()
    {
        WriteIndented = true,
        PropertyNamingPolicy = JsonNamingPolicy.CamelCase,
        DefaultIgnoreCondition = JsonIgnoreCondition.Never,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>Prints text on standard output, or writes it to a file whole.</summary>
    public static void Print(string text, FileInfo? file)
    {
        if (file is null) Console.Out.Write(text);
        else Files.FolderWriter.WriteFile(file.FullName, Encoding.UTF8.GetBytes(text));
    }
}

using System.Buffers;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace Underlay.Core.Formats.Json;

/// <summary>JSON values as UTF-8. Nothing here looks at types when it runs: the command is compiled ahead of time.</summary>
internal static class JsonBytes
{
    private static readonly JsonWriterOptions Indented = new() { Indented = true };

    // Letters are written as letters: people read these files.
    private static readonly JsonWriterOptions Readable = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>A node on lines of its own, as files of a pack's decisions are written.</summary>
    public static byte[] OnLines(JsonNode node) => Write(Indented, w => node.WriteTo(w));

    /// <summary>A node on one line, with letters as they are.</summary>
    public static byte[] OnOneLine(JsonNode node) => Write(Readable, w => node.WriteTo(w));

    /// <summary>A value as it was read, without the spaces around its parts.</summary>
    public static byte[] Of(JsonElement value) => Write(default, value.WriteTo);

    /// <summary>A text, with letters as they are.</summary>
    public static byte[] Of(string text) => Write(Readable, w => w.WriteStringValue(text));

    private static byte[] Write(JsonWriterOptions options, Action<Utf8JsonWriter> write)
    {
        var bytes = new ArrayBufferWriter<byte>();
        using (var writer = new Utf8JsonWriter(bytes, options)) write(writer);
        return bytes.WrittenSpan.ToArray();
    }
}

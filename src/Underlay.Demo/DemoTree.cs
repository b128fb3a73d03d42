using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Packs;
using Underlay.Demo.Art;

namespace Underlay.Demo;

/// <summary>Collects the files of a demo tree.</summary>
internal sealed class DemoTree
{
    // Apostrophes and the like are written as they are: people read these files.
    private static readonly JsonSerializerOptions Readable = new() { WriteIndented = true, Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    private readonly Dictionary<PackPath, byte[]> files = [];

    public FileTree ToTree() => FileTree.OfBytes(files);

    public DemoTree Picture(string path, Raster picture) => Bytes(path, picture.ToPng());

    public DemoTree Json(string path, JsonObject value) => Text(path, value.ToJsonString(Readable) + "\n");

    public DemoTree Text(string path, string text) => Bytes(path, Encoding.UTF8.GetBytes(text));

    public DemoTree Bytes(string path, byte[] bytes)
    {
        files.Add(PackPath.Parse(path), bytes);
        return this;
    }
}

using System.Collections.Concurrent;
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
    private static readonly JsonSerializerOptions Readable = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    // Editions share most of their pictures; each is drawn once.
    private static readonly ConcurrentDictionary<string, Lazy<byte[]>> Drawn = new(StringComparer.Ordinal);

    private readonly Dictionary<PackPath, byte[]> files = [];
    private readonly List<(PackPath Path, Lazy<byte[]> Bytes)> drawings = [];

    public FileTree ToTree()
    {
        Parallel.ForEach(drawings, d => _ = d.Bytes.Value);
        return FileTree.OfBytes(files.Concat(drawings.Select(d => KeyValuePair.Create(d.Path, d.Bytes.Value))));
    }

    /// <summary>A file that is drawn when the tree is asked for.</summary>
    /// <param name="path">Where it lies.</param>
    /// <param name="key">Names the drawing: another drawing has another key.</param>
    /// <param name="draw">Makes the bytes.</param>
    public DemoTree Draw(string path, string key, Func<byte[]> draw)
    {
        drawings.Add((PackPath.Parse(path), Drawn.GetOrAdd(key, _ => new Lazy<byte[]>(draw))));
        return this;
    }

    public DemoTree Picture(string path, Raster picture) => Bytes(path, picture.ToPng());

    public DemoTree Json(string path, JsonObject value) => Text(path, value.ToJsonString(Readable) + "\n");

    public DemoTree Text(string path, string text) => Bytes(path, Encoding.UTF8.GetBytes(text));

    public DemoTree Bytes(string path, byte[] bytes)
    {
        files.Add(PackPath.Parse(path), bytes);
        return this;
    }
}

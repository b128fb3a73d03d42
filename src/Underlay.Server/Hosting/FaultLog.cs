using System.Collections.Concurrent;
using Underlay.Core.Packs;

namespace Underlay.Server.Hosting;

/// <summary>Writes down files at which we failed, each once: a pack is looked at again and again.</summary>
internal sealed class FaultLog(ILogger<FaultLog> logger)
{
    private readonly ConcurrentDictionary<(ContentHash Bytes, Type Fault), bool> noted = new();

    /// <summary>Notes a file with what it led to.</summary>
    public void Note(TreeFile file, Exception fault)
    {
        if (noted.TryAdd((file.Hash, fault.GetType()), true)) Log.LeftOut(logger, file.Path.Value, file.Hash.Hex, fault);
    }
}

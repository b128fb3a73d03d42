namespace Underlay.Core.Names;

/// <summary>Ids of entries: words with points between, of which the last is the name and what leads is the author's.</summary>
internal static class Id
{
    /// <summary>The name: "tide_cup" of "saltbrook.tide_cup".</summary>
    public static string NameIn(string id) => id[(id.LastIndexOf('.') + 1)..];

    /// <summary>What leads: "saltbrook" of "saltbrook.tide_cup"; empty where nothing does.</summary>
    public static string HeadOf(string id) => id[..Math.Max(0, id.LastIndexOf('.'))];

    /// <summary>The id with another name behind what leads.</summary>
    public static string WithName(string id, string name) => id[..(id.LastIndexOf('.') + 1)] + name;
}

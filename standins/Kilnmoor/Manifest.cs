using System.Globalization;
using System.Numerics;
using StandIns;

namespace Kilnmoor;

/// <summary>What a package says of itself in <c>firing.json</c>.</summary>
public sealed class Manifest
{
    private const string IdPattern = "^[a-z0-9_]+\\.[a-z0-9_]+$(?!\n)";
    private const string Number = "(0|[1-9][0-9]*)";
    private const string Mark = "(0|[1-9][0-9]*|[0-9]*[a-zA-Z-][0-9a-zA-Z-]*)";
    private const string VersionPattern =
        $"^{Number}\\.{Number}\\.{Number}(-{Mark}(\\.{Mark})*)?(\\+[0-9a-zA-Z-]+(\\.[0-9a-zA-Z-]+)*)?$(?!\n)";

    private Manifest(string id, string version, string from, string to, string? front, IReadOnlyList<(string Id, string Version)> needs)
    {
        Id = id;
        Version = version;
        From = from;
        To = to;
        Front = front;
        Needs = needs;
    }

    /// <summary>prefix.name.</summary>
    public string Id { get; }

    /// <summary>SemVer.</summary>
    public string Version { get; }

    /// <summary>First edition.</summary>
    public string From { get; }

    /// <summary>Last edition.</summary>
    public string To { get; }

    /// <summary>Path of the front picture, or null.</summary>
    public string? Front { get; }

    /// <summary>Packages without which it stays closed.</summary>
    public IReadOnlyList<(string Id, string Version)> Needs { get; }

    /// <summary>Reads a manifest: "unreadable" or "rejected" when the game does not take it.</summary>
    public static (Manifest? Manifest, string? Problem) Read(byte[] file)
    {
        var (fields, problem) = Fields.Read(file);
        if (fields is null) return (null, problem);
        var reads = fields.Object("reads");
        var accepted = fields.IsText("id", true, IdPattern)
            && fields.IsText("version", true, VersionPattern)
            && fields.IsText("title", true)
            && fields.IsText("by", true)
            && reads is not null
            && reads.IsOneOf("from", [.. Editions.All])
            && reads.IsOneOf("to", [.. Editions.All])
            && Editions.Order(reads.Text("from")!) <= Editions.Order(reads.Text("to")!)
            && fields.IsText("about", false, "")
            && fields.IsText("front", false, "^[a-z0-9_]+(/[a-z0-9_]+)*\\.png$(?!\n)")
            && fields.Objects("needs") is { } needs
            && needs.All(n => n.IsText("id", true, IdPattern) && n.IsText("version", true, VersionPattern))
            && fields.IsTexts("after");
        if (!accepted) return (null, "rejected");
        return (new Manifest(
            fields.Text("id")!,
            fields.Text("version")!,
            reads!.Text("from")!,
            reads.Text("to")!,
            fields.Text("front"),
            [.. fields.Objects("needs")!.Select(n => (n.Text("id")!, n.Text("version")!))]), null);
    }

    /// <summary>True when the edition lies in what the package reads.</summary>
    public bool Reads(string edition) => Editions.Order(edition) >= Editions.Order(From) && Editions.Order(edition) <= Editions.Order(To);

    /// <summary>True when this package is what another needs: the same id and major version, and not older.</summary>
    public bool Serves((string Id, string Version) need) =>
        Id == need.Id && Parts(Version).Numbers[0] == Parts(need.Version).Numbers[0] && Compare(Version, need.Version) >= 0;

    /// <summary>Precedence of versions (Semantic Versioning 2.0.0, section 11).</summary>
    private static int Compare(string a, string b)
    {
        var (left, right) = (Parts(a), Parts(b));
        for (var i = 0; i < 3; i++)
            if (left.Numbers[i] != right.Numbers[i]) return left.Numbers[i].CompareTo(right.Numbers[i]);
        if (left.Marks.Length == 0 || right.Marks.Length == 0) return right.Marks.Length.CompareTo(left.Marks.Length);
        for (var i = 0; i < Math.Min(left.Marks.Length, right.Marks.Length); i++)
        {
            bool leftIsNumber = BigInteger.TryParse(
                left.Marks[i],
                NumberStyles.None,
                CultureInfo.InvariantCulture,
                out var l), rightIsNumber = BigInteger
                .TryParse(right.Marks[i], NumberStyles.None, CultureInfo.InvariantCulture, out var r);
            var order = leftIsNumber && rightIsNumber
                ? l.CompareTo(r)
                : leftIsNumber != rightIsNumber
                ? (leftIsNumber ? -1 : 1)
                : string.CompareOrdinal(left.Marks[i], right.Marks[i]);
            if (order != 0) return order;
        }

        return left.Marks.Length.CompareTo(right.Marks.Length);
    }

    private static (BigInteger[] Numbers, string[] Marks) Parts(string version)
    {
        var bare = version.Split('+')[0];
        var dash = bare.IndexOf('-', StringComparison.Ordinal);
        var numbers = (dash < 0 ? bare : bare[..dash]).Split('.').Select(n => BigInteger.Parse(n, CultureInfo.InvariantCulture)).ToArray();
        return (numbers, dash < 0 ? [] : bare[(dash + 1)..].Split('.'));
    }
}

using Kilnmoor;

// kilnmoor --base FOLDER --edition EDITION [--insist] -- PACKAGE…
string? baseFolder = null, edition = null;
var insist = false;
var packages = new List<string>();
for (var i = 0; i < args.Length; i++)
{
    if (args[i] == "--base" && i + 1 < args.Length) baseFolder = args[++i];
    else if (args[i] == "--edition" && i + 1 < args.Length) edition = args[++i];
    else if (args[i] == "--insist") insist = true;
    else if (args[i] == "--")
    {
        packages.AddRange(args[(i + 1)..]);
        break;
    }
}

if (baseFolder is null || edition is null || !Editions.All.Contains(edition))
{
    Console.Error.WriteLine($"kilnmoor --base FOLDER --edition {string.Join('|', Editions.All)} [--insist] -- PACKAGE…");
    return 2;
}

var report = Game.Load(Layer.OfFolder(baseFolder), edition, insist, [.. packages.Select(p => (Path.GetFileName(p), (Func<Stream>)(() => File.OpenRead(p))))]);
Console.Out.Write(report.ToJson());
return 0;

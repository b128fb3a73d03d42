using System.Globalization;
using Underlay.Core.Packs;
using Underlay.Demo;
using Underlay.Files;

// Underlay.Bench OUT PICTURES: writes a sound pack of that many different pictures in mixed places.
if (args is not [var output, var count] || !int.TryParse(count, CultureInfo.InvariantCulture, out var pictures))
{
    Console.Error.WriteLine("Underlay.Bench OUT PICTURES");
    return 2;
}

var edits = new List<TreeEdit>();
foreach (var tree in LargePack.Make(pictures)) edits.AddRange(tree.Files.Select(f => new TreeEdit.Write(f.Path, f.ReadAll())));
FolderWriter.Apply(output, edits);
Console.Out.WriteLine($"{pictures} pictures in {edits.Count} files");
return 0;

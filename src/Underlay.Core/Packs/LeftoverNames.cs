using System.Text.RegularExpressions;

namespace Underlay.Core.Packs;

/// <summary>Names and words of what is left behind in packs: by systems, editors, habits, and the template that a pack began as.</summary>
public static partial class LeftoverNames
{
    /// <summary>What a name says of a file that nothing reads, or null.</summary>
    public static string? Recognise(PackPath path)
    {
        var name = path.FileName;
        if (Junk().IsMatch(name)
            || path.Segments.Any(s => s.StartsWith("__", StringComparison.Ordinal) && s.EndsWith("OSX", StringComparison.Ordinal)))
            return "an operating system or an editor left this behind";
        if (name.StartsWith('.')) return "this is a hidden file";
        if (Backup().IsMatch(name)) return "this is a backup copy";
        if (IsExample(name)) return "this is an example that a template came with";
        return Master().IsMatch(name) ? "this is a master that an editor works on; keep it beside the pack" : null;
    }

    /// <summary>True for a name that templates give to what they come with, and systems to what is made new.</summary>
    public static bool IsExample(string name) => Example().IsMatch(name);

    /// <summary>True for what a template has where an author's own words belong.</summary>
    public static bool IsTemplateText(string text) => TemplateText().IsMatch(text.Trim());

    [
        GeneratedRegex(
            @"\A(thumbs\.db|desktop\.ini|\.ds_store|\._.*|~\$.*|.*\.(tmp|temp|swp|part|crdownload|lnk|lock))\z",
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
            1000),
    ]
    private static partial Regex Junk();

    [
        GeneratedRegex(
            @"(\.(bak|old|orig|backup)|~)\z|[ _-](backup|old|copy|kopie|copie)( ?\(?[0-9]+\)?)?\.[a-z0-9]+\z",
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
            1000),
    ]
    private static partial Regex Backup();

    [GeneratedRegex(@"\.(ora|svg|tiff?|exr|layers|master)\z", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, 1000)]
    private static partial Regex Master();

    [
        GeneratedRegex(
            @"\A(examples?|samples?|templates?|untitled|unnamed|placeholder|new (text document|bitmap image|file|folder)"
                + @"|neue[rs]? (textdokument|bitmap|datei|ordner)|nouveau (document texte|fichier|dossier))([ _.-](?!of[ _-]).*)?\z",
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
            1000),
    ]
    private static partial Regex Example();

    [
        GeneratedRegex(
            @"\A([<\[{].*[>\]}]"
                + @"|(the )?(your|my|insert|enter) ?(own )?(author|name|title|pack|text)?s?( ?name)?( goes)? here"
                + @"|your (own )?(name|title|pack)|(pack|author)('?s)? (name|title)|example( pack| author)?|untitled( pack)?"
                + @"|template|todo|tbd|changeme|change me|lorem ipsum.*)\z",
            RegexOptions.IgnoreCase | RegexOptions.CultureInvariant,
            1000),
    ]
    private static partial Regex TemplateText();
}

using System.Globalization;
using Underlay.Core.Hosts.Rules;
using Underlay.Core.Names;

namespace Underlay.Core.Codebooks;

/// <summary>A number that things of one type may have.</summary>
/// <param name="Name">The field that holds it.</param>
/// <param name="Title">What people call it.</param>
/// <param name="Unit">What it is measured in; empty for a share or a count.</param>
/// <param name="Least">The least that it may be; null where none is given.</param>
/// <param name="Most">The most that it may be; null where none is given.</param>
/// <param name="Usual">What it is where it is left out; null where that is not known.</param>
public sealed record Parameter(string Name, string Title, string Unit, double? Least, double? Most, double? Usual)
{
    /// <summary>The parameters of each type, in the codebook's order.</summary>
    public static ILookup<string, Parameter> By(ParametersRule rule, Codebook book) =>
        book.Codes.ToLookup(c => c.In(rule.Group), c => Read(rule, c), StringComparer.Ordinal);

    /// <summary>Whether a value lies in the range.</summary>
    public bool Allows(double value) => !(value < Least || value > Most);

    /// <summary>The value of the range that is nearest to a value.</summary>
    public double Nearest(double value) => Math.Min(Math.Max(value, Least ?? value), Most ?? value);

    /// <summary>The range with its unit: "1 to 40 mm".</summary>
    public string RangeWords()
    {
        var range = (Least, Most) switch
        {
            ({ } least, { } most) => FormattableString.Invariant($"{least} to {most}"),
            ({ } least, null) => FormattableString.Invariant($"{least} or more"),
            (null, { } most) => FormattableString.Invariant($"{most} or less"),
            _ => "any number",
        };
        return Unit.Length > 0 ? $"{range} {Unit}" : range;
    }

    private static Parameter Read(ParametersRule rule, Code code)
    {
        var name = Id.NameIn(code.Value);
        return new Parameter(
            name,
            code.Name.Length > 0 ? code.Name : name,
            code.In(rule.Unit),
            Number(code.In(rule.Least)),
            Number(code.In(rule.Most)),
            Number(code.In(rule.Usual)));
    }

    private static double? Number(string text) =>
        double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number) ? number : null;
}

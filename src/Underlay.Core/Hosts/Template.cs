using System.Collections.Concurrent;
using System.Text;
using Fluid;

namespace Underlay.Core.Hosts;

/// <summary>Renders a profile's Liquid templates. They see the values handed over and nothing else.</summary>
internal static class Template
{
    private static readonly FluidParser Parser = new();
    private static readonly TemplateOptions Options = MakeOptions();
    private static readonly ConcurrentDictionary<string, IFluidTemplate> Parsed = new(StringComparer.Ordinal);

    /// <exception cref="InvalidDataException">The template is no Liquid.</exception>
    public static byte[] Render(HostProfile profile, string name, Dictionary<string, object?> model)
    {
        var template = Parsed.GetOrAdd(profile.Templates[name], text =>
            Parser.TryParse(text, out var parsed, out var problem)
                ? parsed
                : throw new InvalidDataException($"The template {name} of {profile.Title} cannot be read: {problem}"));
        var context = new Fluid.TemplateContext(Options);
        foreach (var (key, value) in model) context.SetValue(key, value);
        return Encoding.UTF8.GetBytes(template.Render(context));
    }

    private static TemplateOptions MakeOptions()
    {
        var options = new TemplateOptions { MaxSteps = 10_000 };
        options.Filters.AddFilter("json", TemplateJson.Filter);
        return options;
    }
}

using System.Text;
using System.Text.Json.Nodes;
using Fluid;
using Fluid.Values;
using Underlay.Core.Formats.Json;

namespace Underlay.Core.Hosts;

/// <summary>
/// The filter <c>json</c> of a profile's templates: a value as JSON writes it. Fluid's own asks the type of a value how it is
/// written, which a command that is compiled ahead of time cannot.
/// </summary>
internal static class TemplateJson
{
    public static ValueTask<FluidValue> Filter(FluidValue input, FilterArguments arguments, TemplateContext context)
    {
        var json = Node(input, context) is { } node ? Encoding.UTF8.GetString(JsonBytes.OnOneLine(node)) : "null";
        return new StringValue(json, encode: false);
    }

    private static JsonNode? Node(FluidValue value, TemplateContext context) => value.Type switch
    {
        FluidValues.Nil or FluidValues.Empty or FluidValues.Blank => null,
        FluidValues.Boolean => JsonValue.Create(value.ToBooleanValue()),
        FluidValues.Number => JsonValue.Create(value.ToNumberValue()),
        FluidValues.Array => new JsonArray([.. value.Enumerate(context).Select(v => Node(v, context))]),
        _ => JsonValue.Create(value.ToStringValue()),
    };
}

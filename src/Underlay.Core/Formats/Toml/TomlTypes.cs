using Tomlyn.Model;
using Tomlyn.Serialization;

namespace Underlay.Core.Formats.Toml;

/// <summary>The types that are read from TOML, made when this is compiled.</summary>
[TomlSerializable(typeof(TomlTable))]
internal sealed partial class TomlTypes : TomlSerializerContext;

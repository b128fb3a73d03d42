using System.Text.Json.Nodes;
using Underlay.Core.Sounds;

namespace Underlay.Core.Steps;

/// <summary>Makes one channel of several.</summary>
/// <param name="Of">"both", "left" or "right".</param>
public sealed record ToMono(string Of) : SoundStep
{
    /// <summary>The mean of all.</summary>
    public const string Both = "both";

    private const string Left = "left";
    private const string Right = "right";

    /// <inheritdoc cref="StepKind"/>
    public static StepKind Type { get; } = new(
        "mono",
        [new("of", "Of", StepInput.Choice, Choices: [new(Both, "all channels"), new(Left, "the left one"), new(Right, "the right one")])],
        step => step.Text("of") is Both or Left or Right ? new ToMono(step.Text("of")!) : null);

    /// <inheritdoc/>
    public override StepKind Kind => Type;

    /// <inheritdoc/>
    public override string Title => Of switch { Left => "Take the left channel", Right => "Take the right channel", _ => "Make it mono" };

    /// <inheritdoc/>
    public override Sound Run(Sound sound) => Of switch
    {
        Left => sound with { Channels = [sound.Channels[0]] },
        Right => sound with { Channels = [sound.Channels[Math.Min(1, sound.Channels.Count - 1)]] },
        _ => sound.ToMono(),
    };

    /// <inheritdoc/>
    protected override void Write(JsonObject json) => json["of"] = Of;
}

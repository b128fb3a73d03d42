namespace Underlay.Core.Formats;

/// <summary>A format in which authors have sounds.</summary>
public abstract class SoundFormat : FileFormat;

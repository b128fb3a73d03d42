namespace Underlay.Core.Checks;

/// <summary>Every check there is.</summary>
public static class CheckList
{
    /// <summary>The checks that the engine runs, in the order of docs/checks.md.</summary>
    public static IReadOnlyList<Check> Engine { get; } =
    [
        new MissingManifest(),
        new UnreadableManifest(),
        new RejectedManifest(),
        new UndeclaredEdition(),
        new NoPlace(),
        new NearMiss(),
        new UnsafePath(),
        new FrontInPlace(),
        new UnreadablePicture(),
        new WrongSize(),
        new NotPowerOfTwo(),
        new NotAMultiple(),
        new NeedsClearBorder(),
        new WrongAlpha(),
        new MaskColours(),
        new WrongColourType(),
        new TooHeavy(),
        new MissingCompanion(),
        new SizeDiffers(),
        new Ownerless(),
        new UnreadableEntry(),
        new RejectedEntry(),
        new Dangling(),
        new Misnamed(),
        new LacksPrefix(),
        new Unchanged(),
        new UnreadableWaivers(),
    ];

    /// <summary>The codes of all checks, those that look at archives before the engine runs among them.</summary>
    public static IReadOnlyList<CheckCode> Codes { get; } =
        [.. Engine.Select(c => c.Code), Wrapped.Code, UnsafePackage.Code, DamagedPackage.Code, OversizedPackage.Code];
}

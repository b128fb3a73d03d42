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
        new NoAlpha(),
        new NotGrey(),
        new WrongColourType(),
        new TooHeavy(),
        new MissingCompanion(),
        new SizeDiffers(),
        new Ownerless(),
        new NotEnabled(),
        new Outranked(),
        new Unwanted(),
        new IncompleteSet(),
        new SeriesGap(),
        new SeriesCanvas(),
        new SeriesMixed(),
        new UnreadableEntry(),
        new RejectedEntry(),
        new Dangling(),
        new Misnamed(),
        new Circular(),
        new Twice(),
        new UnknownKey(),
        new OffScreen(),
        new NotIndexed(),
        new UnknownInIndex(),
        new TwiceInIndex(),
        new IndexOrder(),
        new NotListed(),
        new LacksPrefix(),
        new AlphaLost(),
        new ColourBleeds(),
        new CrossesField(),
        new OutsideFrame(),
        new FineLettering(),
        new HalfChanged(),
        new NeighbourStep(),
        new UnlikeBase(),
        new RenamedSince(),
        new Unchanged(),
        new RolledBack(),
        new SameAsOther(),
        new Leftover(),
        new StaleResult(),
        new CopiedRows(),
        new UnreadableWaivers(),
    ];

    /// <summary>The codes of all checks, those that look at archives before the engine runs among them.</summary>
    public static IReadOnlyList<CheckCode> Codes { get; } =
        [.. Engine.Select(c => c.Code), Wrapped.Code, UnsafePackage.Code, DamagedPackage.Code, OversizedPackage.Code];
}

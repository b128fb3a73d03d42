namespace Underlay.Core.Hosts;

/// <summary>Reads which files make a thing, and makes sure that the places and placeholders named exist.</summary>
internal sealed class ThingReader(IReadOnlyList<Place> places)
{
    public ThingRule Read(ProfileCursor cursor)
    {
        var placeholder = cursor.Text("placeholder");
        var thing = new ThingRule(
            cursor.Text("key"),
            cursor.Text("title"),
            placeholder,
            [.. cursor.Objects("parts").Select(p => ReadPart(p, placeholder))]);
        cursor.Done();
        return thing;
    }

    private ThingPart ReadPart(ProfileCursor cursor, string ofThing)
    {
        var part = new ThingPart(cursor.Text("place"), cursor.TextIfAny("placeholder") ?? ofThing, cursor.TextIfAny("field"));
        var place = places.FirstOrDefault(p => p.Key == part.Place);
        if (place is null) cursor.Fail("place", $"the key of a place was expected, not “{part.Place}”");
        else if (place.Pattern?.Placeholders.Contains(part.Placeholder) != true)
            cursor.Fail("placeholder", $"a placeholder of the place {part.Place} was expected, not “{part.Placeholder}”");
        cursor.Done();
        return part;
    }
}

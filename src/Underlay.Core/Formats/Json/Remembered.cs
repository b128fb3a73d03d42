namespace Underlay.Core.Formats.Json;

/// <summary>
/// What was found at the few pointers that rules ask an entry for, again and again. Threads may ask side by side; at worst one finds
/// anew what another has.
/// </summary>
/// <typeparam name="T">What is found.</typeparam>
internal sealed class Remembered<T>
{
    // A form may ask for more; what is asked once need not be kept.
    private const int Most = 32;

    private Link? last;

    /// <summary>What a function finds at a pointer, the first time or as it was then.</summary>
    public T Find(string pointer, Func<string, T> find)
    {
        var known = last;
        for (var link = known; link is not null; link = link.Next)
            if (link.Pointer == pointer) return link.Found;
        var found = find(pointer);
        if (known is null || known.Number < Most) last = new Link(pointer, found, known, (known?.Number ?? 0) + 1);
        return found;
    }

    private sealed record Link(string Pointer, T Found, Link? Next, int Number);
}

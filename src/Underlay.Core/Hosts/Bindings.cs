using Underlay.Core.Packs;

namespace Underlay.Core.Hosts;

/// <summary>What a path has at the placeholders of a pattern. Equal when all names and values are.</summary>
public sealed class Bindings : IEquatable<Bindings>
{
    private readonly (string Name, string Value)[] values;

    // Patterns are filled in with the same bindings at every check of a pack. They are few, so that an array is copied for one more.
    private (PathPattern Pattern, PackPath? Path)[] filled = [];

    private Bindings((string Name, string Value)[] values)
    {
        this.values = values;
        Key = string.Join('&', values.Select(v => $"{v.Name}={v.Value}"));
    }

    /// <summary>No placeholders.</summary>
    public static Bindings None { get; } = new([]);

    /// <summary>Names and values as one text, "name=jug", in order of the names.</summary>
    public string Key { get; }

    /// <summary>Makes bindings; a name may stand once.</summary>
    public static Bindings Of(IEnumerable<(string Name, string Value)> values)
    {
        (string Name, string Value)[] ordered = [.. values];
        if (ordered.Length > 1) Array.Sort(ordered, (a, b) => string.CompareOrdinal(a.Name, b.Name));
        return new Bindings(ordered);
    }

    /// <summary>The value of a placeholder, or null.</summary>
    public string? Find(string name)
    {
        foreach (var (key, value) in values)
            if (key == name) return value;
        return null;
    }

    /// <summary>These bindings with one value replaced.</summary>
    public Bindings With(string name, string value) => Of(values.Where(v => v.Name != name).Append((name, value)));

    /// <summary>These bindings with some values replaced.</summary>
    public Bindings With(IReadOnlyList<(string Name, string Value)> others) =>
        Of(values.Where(v => others.All(o => o.Name != v.Name)).Concat(others));

    /// <summary>
    /// The values of a placeholder, or of several with slashes between them, spelt the same way; null without one of them.
    /// </summary>
    public string? Spell(string placeholders)
    {
        var found = placeholders.Split('/').Select(Find).ToList();
        return found.Contains(null) ? null : string.Join('/', found);
    }

    /// <summary>
    /// The placeholders of a name that is spelt as <see cref="Spell"/> does; null where the name has another number of parts.
    /// </summary>
    public static IReadOnlyList<(string Name, string Value)>? Split(string placeholders, string name)
    {
        var (names, parts) = (placeholders.Split('/'), name.Split('/'));
        return names.Length == parts.Length ? [.. names.Zip(parts)] : null;
    }

    /// <summary>The path of a pattern with these bindings, made once.</summary>
    internal PackPath? Recall(PathPattern pattern, Func<Bindings, PackPath?> fill)
    {
        var known = Volatile.Read(ref filled);
        foreach (var (other, path) in known)
            if (ReferenceEquals(other, pattern)) return path;
        var made = fill(this);
        // Where two threads add one at once, one of them is made again another time.
        Volatile.Write(ref filled, [.. known, (pattern, made)]);
        return made;
    }

    /// <inheritdoc/>
    public bool Equals(Bindings? other) => other is not null && Key == other.Key;

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as Bindings);

    /// <inheritdoc/>
    public override int GetHashCode() => Key.GetHashCode(StringComparison.Ordinal);

    /// <inheritdoc/>
    public override string ToString() => Key;
}

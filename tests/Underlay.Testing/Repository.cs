using Underlay.Core.Hosts;
using Underlay.Files;

namespace Underlay.Testing;

/// <summary>The checkout that the tests belong to.</summary>
public static class Repository
{
    public static string Root { get; } = FindRoot();

    public static string Hosts => Path.Combine(Root, "hosts");

    public static HostProfile Kilnmoor { get; } = ProfileFolder.Read(Hosts, "kilnmoor").Profile;

    public static HostProfile Wrenfield { get; } = ProfileFolder.Read(Hosts, "wrenfield").Profile;

    private static string FindRoot()
    {
        var folder = AppContext.BaseDirectory;
        while (!File.Exists(Path.Combine(folder, "Underlay.slnx")))
            folder = Path.GetDirectoryName(folder.TrimEnd('/'))
                ?? throw new InvalidOperationException("The tests do not lie in a checkout.");
        return folder;
    }
}

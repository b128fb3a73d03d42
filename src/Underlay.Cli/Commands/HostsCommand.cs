using System.CommandLine;
using Underlay.Files;

namespace Underlay.Cli.Commands;

/// <summary><c>underlay hosts</c>: hosts, editions, how each is declared.</summary>
internal static class HostsCommand
{
    public static Command Make(Installation installation)
    {
        var command = new Command("hosts", "List hosts, their editions and how a pack declares them.");
        command.SetAction(_ =>
        {
            foreach (var key in ProfileFolder.List(installation.Hosts))
            {
                var profile = ProfileFolder.Read(installation.Hosts, key).Profile;
                Console.Out.WriteLine($"{key}  {profile.Title}: {profile.About}");
                foreach (var edition in profile.Editions) Console.Out.WriteLine($"    {edition.Key}  {edition.Title}");
                Console.Out.WriteLine(
                    $"    declared in {profile.Manifest.Path} by {profile.Manifest.FromField} and {profile.Manifest.ToField}; packages "
                        + $"end with {profile.Package.Extension}");
            }

            return 0;
        });
        return command;
    }
}

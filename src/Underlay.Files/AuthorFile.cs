using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using Underlay.Core.Manifests;

namespace Underlay.Files;

/// <summary>Keeps what the author said once: <c>{ "name": "Tove Salter", "prefix": "saltbrook" }</c>.</summary>
public static class AuthorFile
{
    /// <summary>Where it lies for who is logged in, unless <c>UNDERLAY_AUTHOR</c> names another path.</summary>
    public static string UsualPath { get; } = Environment.GetEnvironmentVariable("UNDERLAY_AUTHOR") is { Length: > 0 } path
        ? path
        : Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.ApplicationData), "underlay", "author.json");

    /// <summary>What the file says; nothing where there is none.</summary>
    /// <exception cref="InvalidDataException">It cannot be read.</exception>
    public static Author Read(string path)
    {
        if (!File.Exists(path)) return Author.Unknown;
        try
        {
            var json = JsonNode.Parse(File.ReadAllText(path))?.AsObject() ?? [];
            var author = new Author((string?)json["name"], (string?)json["prefix"]);
            return author is { Prefix: { } prefix } && Author.FaultOfPrefix(prefix) is { } fault
                ? throw new InvalidDataException($"{path}: {fault}")
                : author;
        }
        catch (Exception problem) when (problem is JsonException or InvalidOperationException or IOException or UnauthorizedAccessException)
        {
            throw new InvalidDataException(
                $"{path} cannot be read: an object with “name” and “prefix” is wanted. {problem.Message}",
                problem);
        }
    }

    /// <summary>Writes what the author said, in one go.</summary>
    public static void Write(string path, Author author)
    {
        var json = new JsonObject { ["name"] = author.Name, ["prefix"] = author.Prefix };
        FolderWriter.WriteFile(path, Encoding.UTF8.GetBytes(json.ToJsonString() + "\n"));
    }
}

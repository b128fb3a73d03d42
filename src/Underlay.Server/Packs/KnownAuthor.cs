using Underlay.Core.Manifests;
using Underlay.Files;
using Underlay.Server.Hosting;

namespace Underlay.Server.Packs;

/// <summary>What the author said with the last pack that was begun. A help: where it cannot be kept or read, nothing else fails.</summary>
internal static class KnownAuthor
{
    private static readonly Lock Gate = new();

    /// <summary>What is known; nothing where the file is damaged.</summary>
    public static Author Of(Settings settings)
    {
        try
        {
            return AuthorFile.Read(settings.Installation.Author);
        }
        catch (InvalidDataException)
        {
            return Author.Unknown;
        }
    }

    /// <summary>Keeps what was said.</summary>
    public static void Learn(Settings settings, Author author)
    {
        lock (Gate)
        {
            if (Of(settings) == author) return;
            try
            {
                AuthorFile.Write(settings.Installation.Author, author);
            }
            catch (Exception problem) when (problem is IOException or UnauthorizedAccessException)
            {
                // It is asked for again.
            }
        }
    }
}

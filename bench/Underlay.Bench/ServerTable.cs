using System.Diagnostics;
using System.Globalization;
using System.IO.Compression;
using System.Net.Http.Json;
using System.Text.Json;

namespace Underlay.Bench;

/// <summary>What many files at once cost a page: dropped in, looked at, placed, mended, and one more placed beside a full tray.</summary>
internal sealed class ServerTable(HttpClient http, TextWriter to)
{
    // What one archive may hold is limited.
    private const int AtMost = 2000;

    private string pack = "";

    public async Task PrintAsync(int number)
    {
        var drop = Enumerable.Range(0, number).Chunk(AtMost).Select(ArchiveOf).ToList();
        foreach (var when in new[] { "in a server that was just started", "once more" })
        {
            to.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {number:N0} pictures of 96 x 96, {when} | ms |\n|---|---:|"));
            await BeginAsync().ConfigureAwait(false);
            await RowAsync("dropped in as archives", () => DropAsync(drop)).ConfigureAwait(false);
            await RowAsync("view of the tray", () => GetAsync("tray")).ConfigureAwait(false);
            await RowAsync("all that is sure placed", () => PostAsync("tray/placements", new { allSure = true })).ConfigureAwait(false);
            var sizes = (await GetAsync("findings").ConfigureAwait(false)).GetProperty("rows")
                .EnumerateArray()
                .Select(f => f.GetProperty("name"))
                .Where(n => n.GetProperty("code").GetString() == "image/not-power-of-two")
                .Select(n => new { finding = n })
                .ToList();
            if (sizes.Count != number) throw new InvalidOperationException($"{sizes.Count} sizes can be mended, not {number}.");
            await RowAsync("all fitted", () => PostAsync("fixes", new { fixes = sizes })).ConfigureAwait(false);
            var lossless = new { allThatLoseNothing = true };
            await RowAsync("all that loses nothing mended", () => PostAsync("fixes", lossless)).ConfigureAwait(false);
            await RowAsync("findings", () => GetAsync("findings")).ConfigureAwait(false);
            await RowAsync("ledger", () => GetAsync("ledger")).ConfigureAwait(false);
            await RowAsync("undone", () => PostAsync("undo", new { })).ConfigureAwait(false);

            await BeginAsync().ConfigureAwait(false);
            await DropAsync(drop).ConfigureAwait(false);
            var first = (await GetAsync("tray").ConfigureAwait(false)).GetProperty("rows")[0].GetProperty("file").GetString();
            var one = new { files = new[] { new { file = first, target = "art/surfaces/saltbrook_placed.png" } } };
            await RowAsync("one of a full tray placed under a new name", () => PostAsync("tray/placements", one)).ConfigureAwait(false);
            await RowAsync("view of the tray after it", () => GetAsync("tray")).ConfigureAwait(false);
        }
    }

    private async Task RowAsync(string what, Func<Task> work)
    {
        var begun = Stopwatch.GetTimestamp();
        await work().ConfigureAwait(false);
        to.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {what} | {Stopwatch.GetElapsedTime(begun).TotalMilliseconds:N0} |"));
    }

    private async Task BeginAsync()
    {
        var about = new { title = "Many", host = "kilnmoor", edition = "4.0", prefix = "saltbrook", author = "Tove Salter" };
        var made = await SendAsync("/api/packs", JsonContent.Create(about)).ConfigureAwait(false);
        pack = $"/api/packs/{made.GetProperty("id").GetGuid()}";
    }

    private async Task DropAsync(List<byte[]> archives)
    {
        using var form = new MultipartFormDataContent();
        for (var i = 0; i < archives.Count; i++) form.Add(new ByteArrayContent(archives[i]), "files", $"many-{i + 1}.zip");
        await SendAsync($"{pack}/tray", form).ConfigureAwait(false);
    }

    private async Task<JsonElement> GetAsync(string what)
    {
        using var answer = await http.GetAsync(new Uri($"{pack}/{what}", UriKind.Relative)).ConfigureAwait(false);
        return await ReadAsync(answer).ConfigureAwait(false);
    }

    private Task<JsonElement> PostAsync(string what, object body) => SendAsync($"{pack}/{what}", JsonContent.Create(body));

    private async Task<JsonElement> SendAsync(string url, HttpContent content)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, new Uri(url, UriKind.Relative)) { Content = content };
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        using var answer = await http.SendAsync(request).ConfigureAwait(false);
        return await ReadAsync(answer).ConfigureAwait(false);
    }

    private static async Task<JsonElement> ReadAsync(HttpResponseMessage answer)
    {
        var text = await answer.Content.ReadAsStringAsync().ConfigureAwait(false);
        return answer.IsSuccessStatusCode ? JsonElement.Parse(text) : throw new InvalidOperationException(text);
    }

    private static byte[] ArchiveOf(int[] numbers)
    {
        using var output = new MemoryStream();
        using (var archive = new ZipArchive(output, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var i in numbers)
            {
                var name = string.Create(CultureInfo.InvariantCulture, $"art/surfaces/saltbrook_{i:00000}.png");
                using var entry = archive.CreateEntry(name, CompressionLevel.NoCompression).Open();
                entry.Write(ManyPictures.Of(i));
            }
        }

        return output.ToArray();
    }
}

using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Underlay.Testing;

namespace Underlay.Server.Tests;

/// <summary>A pack on the server, worked on through the API as a page does.</summary>
public sealed class TestPack(HttpClient http, Guid id)
{
    public Guid Id => id;

    public HttpClient Http => http;

    public static async Task<TestPack> BeginAsync(HttpClient http, string title, string host = "kilnmoor", string edition = "4.0")
    {
        var made = await http.PostAsJsonAsync("/api/packs", new { title, host, edition, prefix = "saltbrook", author = "Tove Salter" });
        return new TestPack(http, (await ReadAsync(made)).GetProperty("id").GetGuid());
    }

    public async Task<JsonElement> GetAsync(string what) => await ReadAsync(await http.GetAsync(Url(what)));

    public Task<HttpResponseMessage> TryPostAsync(string what, object body, string? ifMatch = null) =>
        SendAsync(HttpMethod.Post, what, JsonContent.Create(body), ifMatch);

    public async Task<JsonElement> PostAsync(string what, object body) => await ReadAsync(await TryPostAsync(what, body));

    public Task<HttpResponseMessage> TryPutFileAsync(string path, byte[] bytes, string? ifMatch = null) =>
        SendAsync(HttpMethod.Put, $"file?path={Uri.EscapeDataString(path)}", new ByteArrayContent(bytes), ifMatch);

    /// <summary>Writes a file and gives its hash.</summary>
    public async Task<string> PutFileAsync(string path, byte[] bytes) =>
        (await ReadAsync(await TryPutFileAsync(path, bytes))).GetProperty("hash").GetString()!;

    public Task<string> PutFileAsync(string path, string text) => PutFileAsync(path, Encoding.UTF8.GetBytes(text));

    public async Task PutAsync(APack pack)
    {
        foreach (var (path, bytes) in pack.Files) await PutFileAsync(path, bytes);
    }

    public async Task<byte[]?> FileAsync(string path)
    {
        var answer = await http.GetAsync(Url($"file?path={Uri.EscapeDataString(path)}"));
        return answer.StatusCode == HttpStatusCode.NotFound ? null : await answer.Content.ReadAsByteArrayAsync();
    }

    public async Task<JsonElement> DropAsync(params IEnumerable<(string Path, byte[] Bytes)> files) =>
        await ReadAsync(await http.PostAsync(Url("tray"), Upload(files)));

    public async Task<List<string>> FindingsAsync() =>
        [
            .. (await GetAsync("findings"))
                .GetProperty("rows")
                .EnumerateArray()
                .Select(
                    f =>
                        $"{f.GetProperty("name").GetProperty("code").GetString()} {f.GetProperty("name").GetProperty("path").GetString()}"),
        ];

    /// <summary>The job after it ended.</summary>
    public async Task<JsonElement> EndOfAsync(JsonElement job)
    {
        var jobId = job.GetProperty("id").GetGuid();
        // Listened to before it is asked, so that what happens in between is told.
        using var events = new StreamReader(await http.GetStreamAsync("/api/events"));
        for (; ; )
        {
            var now = await ReadAsync(await http.GetAsync($"/api/jobs/{jobId}"));
            if (now.GetProperty("state").GetString() is not ("queued" or "running")) return now;
            while (await events.ReadLineAsync() is { } line && !line.StartsWith("event: job", StringComparison.Ordinal)) { }
        }
    }

    public static MultipartFormDataContent Upload(IEnumerable<(string Path, byte[] Bytes)> files)
    {
        var form = new MultipartFormDataContent();
        foreach (var (path, bytes) in files)
        {
            var part = new ByteArrayContent(bytes);
            part.Headers.ContentDisposition = ContentDispositionHeaderValue.Parse(
                $"form-data; name=\"file\"; filename*=UTF-8''{Uri.EscapeDataString(path)}");
            form.Add(part);
        }

        return form;
    }

    public static async Task<JsonElement> ReadAsync(HttpResponseMessage answer)
    {
        var text = await answer.Content.ReadAsStringAsync();
        Assert.True(answer.IsSuccessStatusCode, $"{(int)answer.StatusCode}: {text}");
        return JsonElement.Parse(text);
    }

    /// <summary>What a refused request says: status, type and detail.</summary>
    public static async Task<(HttpStatusCode Status, string Type, string Detail)> ProblemAsync(HttpResponseMessage answer)
    {
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        var body = JsonElement.Parse(await answer.Content.ReadAsStringAsync());
        return (answer.StatusCode, body.GetProperty("type").GetString()!, body.GetProperty("detail").GetString()!);
    }

    private string Url(string what) => what.Length == 0 ? $"/api/packs/{id}" : $"/api/packs/{id}/{what}";

    private Task<HttpResponseMessage> SendAsync(HttpMethod method, string what, HttpContent content, string? ifMatch)
    {
        var request = new HttpRequestMessage(method, Url(what)) { Content = content };
        if (ifMatch is not null) request.Headers.IfMatch.Add(new EntityTagHeaderValue($"\"{ifMatch}\""));
        return http.SendAsync(request);
    }
}

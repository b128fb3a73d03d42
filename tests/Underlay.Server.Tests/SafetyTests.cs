using System.Net;
using System.Text;

namespace Underlay.Server.Tests;

public class SafetyTests(RunningServer server)
{
    private async Task<HttpResponseMessage> SendAsync(string header, string value)
    {
        var request = new HttpRequestMessage(HttpMethod.Get, "/api/packs");
        request.Headers.TryAddWithoutValidation(header, value);
        return await server.CreateClient().SendAsync(request);
    }

    [Theory]
    [InlineData("Host", "evil.example")]
    [InlineData("Origin", "http://evil.example")]
    [InlineData("Origin", "null")]
    [InlineData("Sec-Fetch-Site", "cross-site")]
    public async Task Requests_of_other_sites_are_refused(string header, string value) =>
        Assert.Equal(HttpStatusCode.Forbidden, (await SendAsync(header, value)).StatusCode);

    [Fact]
    public async Task Requests_of_our_own_pages_are_answered()
    {
        Assert.Equal(HttpStatusCode.OK, (await SendAsync("Origin", "http://localhost")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await SendAsync("Sec-Fetch-Site", "same-origin")).StatusCode);
    }

    [Fact]
    public async Task Answers_forbid_what_pages_do_not_need()
    {
        var answer = await server.CreateClient().GetAsync("/api/packs");
        var policy = answer.Headers.GetValues("Content-Security-Policy").First();
        Assert.Contains("default-src 'none'", policy, StringComparison.Ordinal);
        Assert.DoesNotContain("script-src 'unsafe-inline'", policy, StringComparison.Ordinal);
        Assert.NotEqual(policy, (await server.CreateClient().GetAsync("/api/packs")).Headers.GetValues("Content-Security-Policy").First());
    }

    [Fact]
    public async Task What_cannot_be_read_is_told_in_words()
    {
        var http = server.CreateClient();
        var json = await http.PostAsync("/api/packs", new StringContent("{ broken", Encoding.UTF8, "application/json"));
        Assert.Equal(HttpStatusCode.BadRequest, (await TestPack.ProblemAsync(json)).Status);
        var pack = await server.NewPackAsync();
        var noForm = await http.PostAsync($"/api/packs/{pack.Id}/tray", new ByteArrayContent([1, 2]));
        Assert.Contains("multipart", (await TestPack.ProblemAsync(noForm)).Detail, StringComparison.Ordinal);
        var cut = new ByteArrayContent(
            Encoding.ASCII.GetBytes("--x\r\nContent-Disposition: form-data; name=\"f\"; filename=\"a.png\"\r\n\r\nabc"));
        cut.Headers.TryAddWithoutValidation("Content-Type", "multipart/form-data; boundary=x");
        Assert.Equal(
            "/problems/upload-broken",
            (await TestPack.ProblemAsync(await http.PostAsync($"/api/packs/{pack.Id}/tray", cut))).Type);
        Assert.Equal(0, (await pack.GetAsync("tray")).GetProperty("rows").GetArrayLength());
    }

    [Fact]
    public async Task More_than_can_be_taken_at_once_is_refused_before_it_is_sent()
    {
        await using var own = new RunningServer();
        own.UseKestrel(0);
        own.StartServer();
        var pack = await own.NewPackAsync();
        using var content = new ByteArrayContent([]);
        content.Headers.ContentLength = (1L << 30) + 1;
        content.Headers.TryAddWithoutValidation("Content-Type", "multipart/form-data; boundary=x");
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/packs/{pack.Id}/tray") { Content = content };
        request.Headers.ExpectContinue = true;
        // The client waits for the answer however long a slow machine takes; otherwise it would begin to send.
        using var handler = new SocketsHttpHandler { Expect100ContinueTimeout = TimeSpan.FromMinutes(5) };
        using var http = new HttpClient(handler) { BaseAddress = pack.Http.BaseAddress };
        var (status, _, says) = await TestPack.ProblemAsync(await http.SendAsync(request));
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, status);
        Assert.Equal("That is more than can be taken at once. Nothing was taken; send it in smaller parts.", says);
    }

    [Fact]
    public async Task A_package_that_is_too_large_is_told_as_that()
    {
        using var form = TestPack.Upload([("sea.zip", new byte[(256 << 20) + 1])]);
        var (_, _, says) = await TestPack.ProblemAsync(await server.CreateClient().PostAsync("/api/packs/import", form));
        Assert.StartsWith("“sea.zip” has more than 256 MB.", says, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Json_a_hundred_thousand_levels_deep_is_a_finding_and_no_crash()
    {
        var pack = await server.NewPackAsync();
        await pack.PutFileAsync("art/surfaces/setts_dark.surface.json", new string('[', 100_000));
        Assert.Equal(["entry/unreadable art/surfaces/setts_dark.surface.json"], await pack.FindingsAsync());
        var judged = await pack.PostAsync(
            "entry/judgements",
            new { path = "art/surfaces/setts_dark.surface.json", text = new string('{', 50_000) });
        Assert.False(judged.GetProperty("isReadable").GetBoolean());
    }
}

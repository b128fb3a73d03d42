using System.Text;
using System.Text.Json.Nodes;
using CsCheck;
using Json.Schema;
using Underlay.Core.Hosts;
using Underlay.Files;

namespace Underlay.Core.Tests.Hosts;

public class ProfileReaderTests
{
    private static readonly FileTree Kilnmoor = FolderTree.Read(Path.Combine(Repository.Hosts, "kilnmoor"));
    private static readonly JsonSchema Schema = JsonSchema.FromText(File.ReadAllText(Path.Combine(Repository.Hosts, "host.schema.json")));

    private static JsonNode Host() => JsonNode.Parse(Kilnmoor.Find(PackPath.Parse("host.json"))!.ReadAll())!;

    private static ProfileResult Read(JsonNode host) =>
        ProfileReader.Read(Kilnmoor.With([new TreeEdit.Write(PackPath.Parse("host.json"), Encoding.UTF8.GetBytes(host.ToJsonString()))]));

    [Fact]
    public void The_shipped_profile_is_read_and_fits_its_schema()
    {
        Assert.Empty(Read(Host()).Errors);
        Assert.True(Schema.Evaluate(Host()).IsValid);
        Assert.True(Schema.Evaluate(JsonNode.Parse(File.ReadAllText(Path.Combine(Repository.Hosts, "wrenfield", "host.json")))).IsValid);
    }

    [Fact]
    public void Three_editions_are_named_in_order() =>
        Assert.Equal(["3.0", "3.1", "4.0"], Repository.Kilnmoor.Editions.OrderBy(e => e.Order).Select(e => e.Key));

    private static void Without(JsonNode host, string words, string code) =>
        host[words]!.AsArray().RemoveAll(w => (string?)w!["code"] == code);

    [Fact]
    public void An_error_is_told_with_its_line()
    {
        var text = Encoding.UTF8.GetString(Kilnmoor.Find(PackPath.Parse("host.json"))!.ReadAll());
        var line = text[..text.IndexOf("\"reasons\"", StringComparison.Ordinal)].Count(c => c == '\n') + 1;
        var damaged = text.Replace("\"code\": \"wrapped\"", "\"code\": \"boxed\"", StringComparison.Ordinal);
        var read = ProfileReader.Read(Kilnmoor.With([new TreeEdit.Write(PackPath.Parse("host.json"), Encoding.UTF8.GetBytes(damaged))]));
        Assert.StartsWith($"host.json, line {line}, column ", Assert.Single(read.Errors).ToString(), StringComparison.Ordinal);
    }

    public static TheoryData<string, Action<JsonNode>, string, string> Errors => new()
    {
        { "missing field", h => h.AsObject().Remove("title"), "/title", "text was expected, and there is none" },
        { "wrong type", h => h["title"] = 7, "/title", "text was expected" },
        { "unknown field", h => h["colour"] = "red", "/colour", "a known field was expected" },
        { "unknown content", h => h["places"]![0]!["content"] = "film", "/places/0/content",
            "one of picture, sound, entry, table, index was "
            + "expected, not “film”" },
        { "unknown placeholder", h => h["places"]![0]!["path"] = "art/{thing}.png", "/places/0/path",
            "a placeholder that the profile defines" },
        { "placeholder twice", h => h["places"]![0]!["path"] = "art/{name}/{name}.png", "/places/0/path", "each placeholder once" },
        { "place twice", h => h["places"]![1]!["key"] = "surfaces", "/places", "“surfaces” stands 2 times" },
        { "unknown rule", h => h["places"]![0]!["rules"]![0]!["is"] = "wants", "/places/0/rules/0/is", "one of size, alpha" },
        { "unknown outcome", h => h["places"]![0]!["rules"]![0]!["else"] = "gone", "/places/0/rules/0/else", "not “gone”" },
        { "unknown place", h => h["places"]![0]!["rules"]![0]!["places"]![0] = "nowhere", "/places/0/rules/0/places",
            "the key of a place was expected, not “nowhere”" },
        { "unknown codebook", h => h["places"]![2]!["rules"]![0]!["codebook"] = "clays", "/places/2/rules/0/codebook",
            "the key of a codebook was expected" },
        { "unknown edition", h => h["places"]![0]!["since"] = "5.0", "/places/0/since", "an edition (3.0, 3.1, 4.0) was expected, not "
            + "“5.0”" },
        { "range the wrong way", h => h["places"]![0]!["rules"]![1]!["side"] = new JsonArray(512, 32), "/places/0/rules/1/side",
            "the second not below the first" },
        { "choice that is none", h => h["places"]![0]!["rules"]![2]!["otherwise"] = "loose", "/places/0/rules/2/otherwise",
            "one of the choices was expected" },
        { "own word of a drop", h => Without(h, "drops", "rejected"), "/drops", "the code “rejected” was expected among them" },
        { "own word of a reason", h => Without(h, "reasons", "ending"), "/reasons", "the code “ending” was expected among them" },
        { "missing template", h => h["manifest"]!["template"] = "none.liquid", "/manifest/template",
            "a file templates/none.liquid was expected" },
        { "container without rest", h => h["package"]!["container"]!["entries"]!.AsArray().RemoveAt(1),
            "/package/container/entries", "a last entry without “ending”" },
    };

    [Theory]
    [MemberData(nameof(Errors))]
    public void An_error_names_file_pointer_and_what_was_expected(string error, Action<JsonNode> change, string pointer, string expected)
    {
        Assert.NotEmpty(error);
        var host = Host();
        change(host);
        var found = Read(host).Errors;
        Assert.Contains(
            found,
            e => e.File == "host.json" && e.Pointer == pointer && e.Expected.Contains(expected, StringComparison.Ordinal));
    }

    [Fact]
    public void A_kind_that_is_missing_is_told_by_its_file() =>
        Assert.Contains(
            ProfileReader.Read(Kilnmoor.Select(p => p.Value == "kinds/ware.schema.json" ? null : p)).Errors,
            e => e.File == "kinds/ware.schema.json");

    [Fact]
    public void A_keyword_of_a_kind_that_nothing_reads_is_told_by_file_and_pointer()
    {
        var path = PackPath.Parse("kinds/ware.schema.json");
        var kind = JsonNode.Parse(Kilnmoor.Find(path)!.ReadAll())!;
        kind["properties"]!["price"]!["exclusiveMaximum"] = 0;
        var error = Assert.Single(
            ProfileReader.Read(Kilnmoor.With([new TreeEdit.Write(path, Encoding.UTF8.GetBytes(kind.ToJsonString()))])).Errors);
        Assert.Equal((path.Value, "/properties/price/exclusiveMaximum"), (error.File, error.Pointer));
    }

    [Fact]
    public void A_host_file_that_is_no_JSON_is_told_with_line_and_column()
    {
        var read = ProfileReader.Read(FileTree.OfBytes([KeyValuePair.Create(PackPath.Parse("host.json"), "{"u8.ToArray())]));
        Assert.Contains("line 1, column 2", Assert.Single(read.Errors).ToString(), StringComparison.Ordinal);
    }

    /// <summary>
    /// Taking any field away or giving it another type is told by the reader whenever the shipped schema refuses it, and the other
    /// way round.
    /// </summary>
    [Fact]
    public void The_schema_and_the_reader_refuse_the_same_shapes() =>
        Gen.Select(Gen.Int[0, 100_000], Gen.OneOfConst<string?>(null, "7", "\"\"", "[]", "{}", "true", "\"none\"")).Sample(
            (at, replacement) =>
            {
                var host = Host();
                var fields = Fields(host).ToList();
                var (owner, name) = fields[at % fields.Count];
                if (replacement is null) owner.Remove(name);
                else owner[name] = JsonNode.Parse(replacement);
                if (!Schema.Evaluate(host).IsValid) Assert.NotEmpty(Read(host).Errors);
            },
            iter: 400);

    private static IEnumerable<(JsonObject Owner, string Name)> Fields(JsonNode node) => node switch
    {
        JsonObject owner =>
            owner.Where(m => m.Key is not ("$schema" or "comment")).SelectMany(m => Fields(m.Value!).Append((owner, m.Key))),
        JsonArray list => list.SelectMany(i => Fields(i!)),
        _ => [],
    };
}

using System.Globalization;
using System.IO.Compression;
using System.Net;
using System.Text.Json.Serialization;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.OpenApi;
using Npgsql;
using Underlay.Data;
using Underlay.Data.Facts;
using Underlay.Data.Operations;
using Underlay.Data.Packs;
using Underlay.Server.Economies;
using Underlay.Server.Entries;
using Underlay.Server.Events;
using Underlay.Server.Files;
using Underlay.Server.Findings;
using Underlay.Server.History;
using Underlay.Server.Hosting;
using Underlay.Server.Hosts;
using Underlay.Server.Jobs;
using Underlay.Server.Lists;
using Underlay.Server.Packs;
using Underlay.Server.Pictures;
using Underlay.Server.Releases;
using Underlay.Server.Scripts;
using Underlay.Server.Sounds;
using Underlay.Server.Texts;
using Underlay.Server.Tray;
using Underlay.Server.Trials;

// The same words and numbers wherever it runs.
CultureInfo.DefaultThreadCurrentCulture = CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;

// The interface's client is generated from the API's description when the web is built: Underlay.Server openapi FILE
var onlyDescribe = args is ["openapi", _];
var builder = WebApplication.CreateBuilder(args);
var settings = Settings.Read(builder.Configuration);
builder.WebHost.ConfigureKestrel(kestrel =>
{
    kestrel.AddServerHeader = false;
    if (onlyDescribe) kestrel.Listen(IPAddress.Loopback, 0);
    else kestrel.ListenLocalhost(settings.Port);
});
// What fails in the database is told once, by who asked for it.
builder.Logging.AddSimpleConsole(console => console.SingleLine = true)
    .AddFilter("Microsoft.EntityFrameworkCore", LogLevel.None)
    .AddFilter("Microsoft.AspNetCore", LogLevel.Warning)
    .AddFilter("Microsoft.Hosting", LogLevel.Warning);

var services = builder.Services;
services.AddSingleton(settings);
services.AddSingleton(TimeProvider.System);
// Without a connection string the description of the API can still be written.
var source = NpgsqlDataSource.Create(settings.Database.Length > 0 ? settings.Database : "Host=127.0.0.1");
services.AddSingleton(source);
services.AddDbContextFactory<UnderlayDatabase>(options => UnderlayDatabase.Configure(options, source));
services.AddSingleton(new HostRegistry(settings.Installation));
services.AddHttpContextAccessor();
services.AddSingleton<DatabaseWatch>();
services.AddSingleton<FactsStore>();
services.AddSingleton<PackReader>();
services.AddSingleton<OperationLog>();
services.AddSingleton<FaultLog>();
services.AddSingleton<PackService>();
services.AddSingleton<ListMemory>();
services.AddScoped<PackImporter>();
services.AddScoped<BaseIndex>();
services.AddSingleton<JobBoard>();
services.AddScoped<JobRunner>();
services.AddScoped<IJobWork, BuildWork>();
services.AddScoped<IJobWork, TrialWork>();
services.AddSingleton<EventHub>();
if (settings.Database.Length > 0)
{
    services.AddHostedService(provider => provider.GetRequiredService<EventHub>());
    services.AddHostedService<JobWorker>();
    services.AddHostedService<Housekeeper>();
    services.AddHostedService<FactsKeeper>();
    services.AddHostedService<LastPack>();
    // Told to end, it ends, whatever waits for the database.
    services.Configure<HostOptions>(host => host.ShutdownTimeout = TimeSpan.FromSeconds(3));
}

services.AddExceptionHandler<ProblemHandler>();
services.AddProblemDetails();
services.Configure<RouteHandlerOptions>(handlers => handlers.ThrowOnBadRequest = true);
services.AddOpenApi();
services.ConfigureHttpJsonOptions(json =>
{
    json.SerializerOptions.Converters.Add(new JsonStringEnumConverter(System.Text.Json.JsonNamingPolicy.KebabCaseLower));
    json.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
    json.SerializerOptions.RespectNullableAnnotations = true;
    json.SerializerOptions.RespectRequiredConstructorParameters = true;
});
services.AddResponseCompression(compression =>
{
    compression.Providers.Add<GzipCompressionProvider>();
    compression.MimeTypes = ["application/json", "text/html", "text/css", "text/javascript"];
});
services.Configure<GzipCompressionProviderOptions>(gzip => gzip.Level = CompressionLevel.Fastest);

var app = builder.Build();
app.UseExceptionHandler();
app.UseSafety();
app.UseResponseCompression();
app.UseWriteKeys();
app.MapOpenApi();
app.MapHosts();
// No view of a pack fails as a whole because of one file.
var views = app.MapGroup("").AddEndpointFilter<RouteGroupBuilder, ViewIsolation>();
views.MapPacks();
views.MapBin();
views.MapFiles();
views.MapLedger();
views.MapTray();
views.MapSplits();
views.MapFindings();
views.MapFixes();
views.MapPictures();
views.MapSounds();
views.MapAlike();
views.MapEntries();
views.MapLater();
views.MapNames();
views.MapTies();
views.MapEconomies();
views.MapTexts();
views.MapScripts();
views.MapHistory();
views.MapReleases();
views.MapTrials();
views.MapJobs();
views.MapEvents();
app.UseWebPages(settings.Web);

if (onlyDescribe)
{
    // Addresses are known once the application runs.
    await app.StartAsync().ConfigureAwait(false);
    var document = await app.Services
        .GetRequiredKeyedService<IOpenApiDocumentProvider>("v1")
        .GetOpenApiDocumentAsync().ConfigureAwait(false);
    await File.WriteAllTextAsync(
        args[1],
        await document.SerializeAsJsonAsync(OpenApiSpecVersion.OpenApi3_1).ConfigureAwait(false)).ConfigureAwait(false);
    return;
}

if (settings.Database.Length > 0)
{
    await Preparation.PrepareAsync(app.Services, settings).ConfigureAwait(false);
    app.Lifetime.ApplicationStarted.Register(
        () => Console.Out.WriteLine(string.Create(CultureInfo.InvariantCulture, $"Underlay is ready: http://127.0.0.1:{settings.Port}")));
}

await app.RunAsync().ConfigureAwait(false);

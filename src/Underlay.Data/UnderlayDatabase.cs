using Microsoft.EntityFrameworkCore;
using Underlay.Data.BaseFiles;
using Underlay.Data.Blobs;
using Underlay.Data.Facts;
using Underlay.Data.Jobs;
using Underlay.Data.Operations;
using Underlay.Data.Packs;
using Underlay.Data.Releases;

namespace Underlay.Data;

/// <summary>The database: packs, their files and bytes, the log of what was done to them, releases, base files and jobs.</summary>
public sealed class UnderlayDatabase(DbContextOptions<UnderlayDatabase> options) : DbContext(options)
{
    /// <summary>Packs.</summary>
    public DbSet<Pack> Packs => Set<Pack>();

    /// <summary>Where which bytes lie in packs.</summary>
    public DbSet<PackFile> PackFiles => Set<PackFile>();

    /// <summary>Bytes by hash.</summary>
    public DbSet<Blob> Blobs => Set<Blob>();

    /// <summary>The bytes themselves, in pieces.</summary>
    public DbSet<BlobChunk> BlobChunks => Set<BlobChunk>();

    /// <summary>Whose logs refer to which bytes.</summary>
    public DbSet<KeptBlob> KeptBlobs => Set<KeptBlob>();

    /// <summary>What was learned from bytes.</summary>
    public DbSet<FactsRow> Facts => Set<FactsRow>();

    /// <summary>What was done to packs.</summary>
    public DbSet<Operation> Operations => Set<Operation>();

    /// <summary>The files that operations changed.</summary>
    public DbSet<OperationRow> OperationRows => Set<OperationRow>();

    /// <summary>Writes that were made, by their senders' keys.</summary>
    public DbSet<KeptWrite> Writes => Set<KeptWrite>();

    /// <summary>Frozen versions of packs.</summary>
    public DbSet<Release> Releases => Set<Release>();

    /// <summary>The hosts' own files.</summary>
    public DbSet<BaseFileRow> BaseFiles => Set<BaseFileRow>();

    /// <summary>Long work.</summary>
    public DbSet<Job> Jobs => Set<Job>();

    /// <summary>The options for a data source.</summary>
    public static void Configure(DbContextOptionsBuilder options, Npgsql.NpgsqlDataSource source) =>
        options.UseNpgsql(source).UseSnakeCaseNamingConvention();

    /// <inheritdoc/>
    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<Pack>(pack =>
        {
            pack.Property(p => p.Summary).HasColumnType("jsonb");
        });
        // Files and kept blobs come by thousands, and only while the log holds their pack: no row asks for it again.
        // PackBin lets go of them.
        modelBuilder.Entity<PackFile>().HasKey(f => new { f.PackId, f.Path });
        modelBuilder.Entity<Blob>().HasKey(b => b.Hash);
        modelBuilder.Entity<KeptBlob>(kept =>
        {
            kept.HasKey(k => new { k.Hash, k.PackId });
            // This one reference keeps all bytes: what a pack has, and what a row found before it, came with a row of its log.
            kept.HasOne<Blob>().WithMany().HasForeignKey(k => k.Hash).OnDelete(DeleteBehavior.Restrict);
        });
        modelBuilder.Entity<BlobChunk>(chunk =>
        {
            chunk.HasKey(c => new { c.Hash, c.Number });
            chunk.HasOne<Blob>().WithMany().HasForeignKey(c => c.Hash).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<FactsRow>(facts =>
        {
            facts.HasKey(f => new { f.Hash, f.Key });
            facts.HasOne<Blob>().WithMany().HasForeignKey(f => f.Hash).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<Operation>(operation =>
        {
            operation.HasIndex(o => new { o.PackId, o.Revision }).IsUnique();
            operation.HasOne<Pack>().WithMany().HasForeignKey(o => o.PackId).OnDelete(DeleteBehavior.Cascade);
            operation.HasMany(o => o.Rows).WithOne().HasForeignKey(r => r.OperationId).OnDelete(DeleteBehavior.Cascade);
        });
        modelBuilder.Entity<OperationRow>(row =>
        {
            row.HasKey(r => new { r.OperationId, r.Path });
            row.ToView("operation_rows");
        });
        modelBuilder.Entity<KeptWrite>(write =>
        {
            write.HasKey(w => w.Key);
            write.HasIndex(w => w.At);
        });
        modelBuilder.Entity<Release>(release =>
        {
            release.HasIndex(r => new { r.PackId, r.Version }).IsUnique();
            release.HasOne<Pack>().WithMany().HasForeignKey(r => r.PackId).OnDelete(DeleteBehavior.Cascade);
            release.HasOne<Blob>().WithMany().HasForeignKey(r => r.PackageHash).OnDelete(DeleteBehavior.Restrict);
        });
        modelBuilder.Entity<BaseFileRow>(file =>
        {
            file.HasKey(f => new { f.Host, f.Edition, f.Path });
            file.HasIndex(f => new { f.Host, f.Edition, f.Place });
            file.Property(f => f.Facts).HasColumnType("jsonb");
        });
        modelBuilder.Entity<Job>(job =>
        {
            job.HasOne<Pack>().WithMany().HasForeignKey(j => j.PackId).OnDelete(DeleteBehavior.Cascade);
            job.Property(j => j.Request).HasColumnType("jsonb");
            job.Property(j => j.Result).HasColumnType("jsonb");
            // Who lost a job to another node changes nothing of it.
            job.Property(j => j.Owner).IsConcurrencyToken();
            // Work that is under way is not begun twice.
            job.HasIndex(j => j.Key).IsUnique().HasFilter("state in ('queued', 'running')");
        });
    }

    /// <inheritdoc/>
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        configurationBuilder.Properties<OperationKind>().HaveConversion<LowerCaseWord<OperationKind>>();
        configurationBuilder.Properties<OperationState>().HaveConversion<LowerCaseWord<OperationState>>();
        configurationBuilder.Properties<JobState>().HaveConversion<LowerCaseWord<JobState>>();
    }
}

using System;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;

#nullable disable

namespace Underlay.Data.Migrations
{
    /// <inheritdoc />
    public partial class First : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "base_files",
                columns: table => new
                {
                    host = table.Column<string>(type: "text", nullable: false),
                    edition = table.Column<string>(type: "text", nullable: false),
                    path = table.Column<string>(type: "text", nullable: false),
                    place = table.Column<string>(type: "text", nullable: true),
                    words = table.Column<string>(type: "text", nullable: false),
                    hash = table.Column<string>(type: "text", nullable: false),
                    length = table.Column<long>(type: "bigint", nullable: false),
                    facts = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_base_files", x => new { x.host, x.edition, x.path });
                });

            migrationBuilder.CreateTable(
                name: "blobs",
                columns: table => new
                {
                    hash = table.Column<string>(type: "text", nullable: false),
                    length = table.Column<long>(type: "bigint", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_blobs", x => x.hash);
                });

            migrationBuilder.CreateTable(
                name: "packs",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    host = table.Column<string>(type: "text", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    about = table.Column<string>(type: "text", nullable: true),
                    revision = table.Column<long>(type: "bigint", nullable: false),
                    created_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    summary = table.Column<string>(type: "jsonb", nullable: true),
                    summary_tag = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_packs", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "blob_chunks",
                columns: table => new
                {
                    hash = table.Column<string>(type: "text", nullable: false),
                    number = table.Column<int>(type: "integer", nullable: false),
                    bytes = table.Column<byte[]>(type: "bytea", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_blob_chunks", x => new { x.hash, x.number });
                    table.ForeignKey(
                        name: "fk_blob_chunks_blobs_hash",
                        column: x => x.hash,
                        principalTable: "blobs",
                        principalColumn: "hash",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "jobs",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    pack_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "text", nullable: false),
                    key = table.Column<string>(type: "text", nullable: false),
                    state = table.Column<string>(type: "text", nullable: false),
                    done = table.Column<int>(type: "integer", nullable: false),
                    total = table.Column<int>(type: "integer", nullable: false),
                    message = table.Column<string>(type: "text", nullable: false),
                    cancel_asked = table.Column<bool>(type: "boolean", nullable: false),
                    held_until = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    request = table.Column<string>(type: "jsonb", nullable: false),
                    result = table.Column<string>(type: "jsonb", nullable: true),
                    created_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    ended_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_jobs", x => x.id);
                    table.ForeignKey(
                        name: "fk_jobs_packs_pack_id",
                        column: x => x.pack_id,
                        principalTable: "packs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            // Pictures and packages are compressed already: kept out of line as they are, pieces can be read without unpacking.
            migrationBuilder.Sql("ALTER TABLE blob_chunks ALTER COLUMN bytes SET STORAGE EXTERNAL");

            migrationBuilder.CreateTable(
                name: "operations",
                columns: table => new
                {
                    id = table.Column<long>(type: "bigint", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityByDefaultColumn),
                    pack_id = table.Column<Guid>(type: "uuid", nullable: false),
                    revision = table.Column<long>(type: "bigint", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    by = table.Column<string>(type: "text", nullable: false),
                    what = table.Column<string>(type: "text", nullable: false),
                    kind = table.Column<string>(type: "text", nullable: false),
                    state = table.Column<string>(type: "text", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_operations", x => x.id);
                    table.ForeignKey(
                        name: "fk_operations_packs_pack_id",
                        column: x => x.pack_id,
                        principalTable: "packs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "pack_files",
                columns: table => new
                {
                    pack_id = table.Column<Guid>(type: "uuid", nullable: false),
                    path = table.Column<string>(type: "text", nullable: false),
                    folded_path = table.Column<string>(type: "text", nullable: false),
                    hash = table.Column<string>(type: "text", nullable: false),
                    length = table.Column<long>(type: "bigint", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_pack_files", x => new { x.pack_id, x.path });
                    table.ForeignKey(
                        name: "fk_pack_files_blobs_hash",
                        column: x => x.hash,
                        principalTable: "blobs",
                        principalColumn: "hash",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_pack_files_packs_pack_id",
                        column: x => x.pack_id,
                        principalTable: "packs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "releases",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    pack_id = table.Column<Guid>(type: "uuid", nullable: false),
                    version = table.Column<string>(type: "text", nullable: false),
                    notes = table.Column<string>(type: "text", nullable: false),
                    file_name = table.Column<string>(type: "text", nullable: false),
                    package_hash = table.Column<string>(type: "text", nullable: false),
                    package_length = table.Column<long>(type: "bigint", nullable: false),
                    files = table.Column<int>(type: "integer", nullable: false),
                    blockers = table.Column<int>(type: "integer", nullable: false),
                    revision = table.Column<long>(type: "bigint", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_releases", x => x.id);
                    table.ForeignKey(
                        name: "fk_releases_blobs_package_hash",
                        column: x => x.package_hash,
                        principalTable: "blobs",
                        principalColumn: "hash",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_releases_packs_pack_id",
                        column: x => x.pack_id,
                        principalTable: "packs",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "operation_rows",
                columns: table => new
                {
                    operation_id = table.Column<long>(type: "bigint", nullable: false),
                    path = table.Column<string>(type: "text", nullable: false),
                    hash_before = table.Column<string>(type: "text", nullable: true),
                    hash_after = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_operation_rows", x => new { x.operation_id, x.path });
                    table.ForeignKey(
                        name: "fk_operation_rows_blobs_hash_after",
                        column: x => x.hash_after,
                        principalTable: "blobs",
                        principalColumn: "hash",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_operation_rows_blobs_hash_before",
                        column: x => x.hash_before,
                        principalTable: "blobs",
                        principalColumn: "hash",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_operation_rows_operations_operation_id",
                        column: x => x.operation_id,
                        principalTable: "operations",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_base_files_host_edition_place",
                table: "base_files",
                columns: new[] { "host", "edition", "place" });

            migrationBuilder.CreateIndex(
                name: "ix_jobs_key",
                table: "jobs",
                column: "key",
                unique: true,
                filter: "state in ('queued', 'running')");

            migrationBuilder.CreateIndex(
                name: "ix_jobs_pack_id",
                table: "jobs",
                column: "pack_id");

            migrationBuilder.CreateIndex(
                name: "ix_operation_rows_hash_after",
                table: "operation_rows",
                column: "hash_after");

            migrationBuilder.CreateIndex(
                name: "ix_operation_rows_hash_before",
                table: "operation_rows",
                column: "hash_before");

            migrationBuilder.CreateIndex(
                name: "ix_operations_pack_id_revision",
                table: "operations",
                columns: new[] { "pack_id", "revision" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_pack_files_hash",
                table: "pack_files",
                column: "hash");

            migrationBuilder.CreateIndex(
                name: "ix_pack_files_pack_id_folded_path",
                table: "pack_files",
                columns: new[] { "pack_id", "folded_path" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_releases_pack_id_version",
                table: "releases",
                columns: new[] { "pack_id", "version" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_releases_package_hash",
                table: "releases",
                column: "package_hash");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "base_files");

            migrationBuilder.DropTable(
                name: "blob_chunks");

            migrationBuilder.DropTable(
                name: "jobs");

            migrationBuilder.DropTable(
                name: "operation_rows");

            migrationBuilder.DropTable(
                name: "pack_files");

            migrationBuilder.DropTable(
                name: "releases");

            migrationBuilder.DropTable(
                name: "operations");

            migrationBuilder.DropTable(
                name: "blobs");

            migrationBuilder.DropTable(
                name: "packs");
        }
    }
}

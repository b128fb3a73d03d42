using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Underlay.Data.Migrations
{
    /// <inheritdoc />
    public partial class OperationsWhole : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "fk_pack_files_packs_pack_id",
                table: "pack_files");

            migrationBuilder.DropIndex(
                name: "ix_pack_files_pack_id_folded_path",
                table: "pack_files");

            migrationBuilder.DropColumn(
                name: "folded_path",
                table: "pack_files");

            migrationBuilder.AddColumn<int>(
                name: "files",
                table: "operations",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string[]>(
                name: "hashes_after",
                table: "operations",
                type: "text[]",
                nullable: false,
                defaultValue: new string[0]);

            migrationBuilder.AddColumn<string[]>(
                name: "hashes_before",
                table: "operations",
                type: "text[]",
                nullable: false,
                defaultValue: new string[0]);

            migrationBuilder.AddColumn<string[]>(
                name: "paths",
                table: "operations",
                type: "text[]",
                nullable: false,
                defaultValue: new string[0]);

            migrationBuilder.CreateTable(
                name: "kept_blobs",
                columns: table => new
                {
                    hash = table.Column<string>(type: "text", nullable: false),
                    pack_id = table.Column<Guid>(type: "uuid", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_kept_blobs", x => new { x.hash, x.pack_id });
                    table.ForeignKey(
                        name: "fk_kept_blobs_blobs_hash",
                        column: x => x.hash,
                        principalTable: "blobs",
                        principalColumn: "hash",
                        onDelete: ReferentialAction.Restrict);
                });

            migrationBuilder.Sql(
                """
                -- Hashes do not become smaller.
                ALTER TABLE operations ALTER hashes_before SET STORAGE EXTERNAL, ALTER hashes_after SET STORAGE EXTERNAL;
                UPDATE operations SET files = rows.files, paths = rows.paths, hashes_before = rows.before, hashes_after = rows.after
                FROM (
                    SELECT
                        operation_id,
                        count(*) AS files,
                        array_agg(path ORDER BY path) AS paths,
                        array_agg(hash_before ORDER BY path) AS before,
                        array_agg(hash_after ORDER BY path) AS after
                    FROM operation_rows GROUP BY operation_id) rows
                WHERE id = operation_id;
                INSERT INTO kept_blobs (hash, pack_id)
                SELECT DISTINCT hash_after, pack_id FROM operation_rows JOIN operations ON id = operation_id
                WHERE hash_after IS NOT NULL;
                DROP TABLE operation_rows;
                CREATE VIEW operation_rows AS
                SELECT id AS operation_id, path, hash_before, hash_after
                FROM operations, unnest(paths, hashes_before, hashes_after) AS files (path, hash_before, hash_after);
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("DROP VIEW operation_rows;");

            migrationBuilder.DropTable(
                name: "kept_blobs");

            migrationBuilder.AddColumn<string>(
                name: "folded_path",
                table: "pack_files",
                type: "text",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "operation_rows",
                columns: table => new
                {
                    operation_id = table.Column<long>(type: "bigint", nullable: false),
                    path = table.Column<string>(type: "text", nullable: false),
                    hash_after = table.Column<string>(type: "text", nullable: true),
                    hash_before = table.Column<string>(type: "text", nullable: true)
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
                        name: "fk_operation_rows_operations_operation_id",
                        column: x => x.operation_id,
                        principalTable: "operations",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.Sql(
                """
                INSERT INTO operation_rows (operation_id, path, hash_before, hash_after)
                SELECT id, path, hash_before, hash_after
                FROM operations, unnest(paths, hashes_before, hashes_after) AS files (path, hash_before, hash_after);
                UPDATE pack_files SET folded_path = lower(path);
                """);

            migrationBuilder.DropColumn(
                name: "files",
                table: "operations");

            migrationBuilder.DropColumn(
                name: "hashes_after",
                table: "operations");

            migrationBuilder.DropColumn(
                name: "hashes_before",
                table: "operations");

            migrationBuilder.DropColumn(
                name: "paths",
                table: "operations");

            migrationBuilder.CreateIndex(
                name: "ix_pack_files_pack_id_folded_path",
                table: "pack_files",
                columns: new[] { "pack_id", "folded_path" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_operation_rows_hash_after",
                table: "operation_rows",
                column: "hash_after");

            migrationBuilder.AddForeignKey(
                name: "fk_pack_files_packs_pack_id",
                table: "pack_files",
                column: "pack_id",
                principalTable: "packs",
                principalColumn: "id",
                onDelete: ReferentialAction.Cascade);
        }
    }
}

using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Underlay.Data.Migrations
{
    /// <inheritdoc />
    public partial class OneReference : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "fk_operation_rows_blobs_hash_before",
                table: "operation_rows");

            migrationBuilder.DropForeignKey(
                name: "fk_pack_files_blobs_hash",
                table: "pack_files");

            migrationBuilder.DropIndex(
                name: "ix_pack_files_hash",
                table: "pack_files");

            migrationBuilder.DropIndex(
                name: "ix_operation_rows_hash_before",
                table: "operation_rows");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateIndex(
                name: "ix_pack_files_hash",
                table: "pack_files",
                column: "hash");

            migrationBuilder.CreateIndex(
                name: "ix_operation_rows_hash_before",
                table: "operation_rows",
                column: "hash_before");

            migrationBuilder.AddForeignKey(
                name: "fk_operation_rows_blobs_hash_before",
                table: "operation_rows",
                column: "hash_before",
                principalTable: "blobs",
                principalColumn: "hash",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "fk_pack_files_blobs_hash",
                table: "pack_files",
                column: "hash",
                principalTable: "blobs",
                principalColumn: "hash",
                onDelete: ReferentialAction.Restrict);
        }
    }
}

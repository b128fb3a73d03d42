using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Underlay.Data.Migrations
{
    /// <inheritdoc />
    public partial class WriteKeys : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "owner",
                table: "jobs",
                type: "uuid",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "writes",
                columns: table => new
                {
                    key = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    status = table.Column<int>(type: "integer", nullable: true),
                    location = table.Column<string>(type: "text", nullable: true),
                    answer = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_writes", x => x.key);
                });

            migrationBuilder.CreateIndex(
                name: "ix_writes_at",
                table: "writes",
                column: "at");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "writes");

            migrationBuilder.DropColumn(
                name: "owner",
                table: "jobs");
        }
    }
}

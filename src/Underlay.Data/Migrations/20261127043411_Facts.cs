using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Underlay.Data.Migrations
{
    /// <inheritdoc />
    public partial class Facts : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "facts",
                columns: table => new
                {
                    hash = table.Column<string>(type: "text", nullable: false),
                    key = table.Column<string>(type: "text", nullable: false),
                    bytes = table.Column<byte[]>(type: "bytea", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_facts", x => new { x.hash, x.key });
                    table.ForeignKey(
                        name: "fk_facts_blobs_hash",
                        column: x => x.hash,
                        principalTable: "blobs",
                        principalColumn: "hash",
                        onDelete: ReferentialAction.Cascade);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "facts");
        }
    }
}

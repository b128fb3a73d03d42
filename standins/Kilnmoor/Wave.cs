using System.Globalization;
using System.Text;

namespace Kilnmoor;

/// <summary>A sound as the game reads it: RIFF WAVE of 16-bit PCM, mono or stereo.</summary>
/// <param name="Rate">Frames a second.</param>
/// <param name="Channels">1 or 2.</param>
/// <param name="Frames">How many frames it has.</param>
internal sealed record Wave(uint Rate, int Channels, long Frames)
{
    /// <summary>The sound, or null when the game cannot read it.</summary>
    public static Wave? Read(byte[] file)
    {
        using var reader = new BinaryReader(new MemoryStream(file));
        (int Tag, int Channels, uint Rate, int Bits)? format = null;
        try
        {
            if (Name(reader) != "RIFF" || reader.ReadBytes(4).Length < 4 || Name(reader) != "WAVE") return null;
            while (true)
            {
                var (name, size) = (Name(reader), reader.ReadUInt32());
                var left = file.Length - reader.BaseStream.Position;
                if (size > left) return null;
                if (name == "data") return Of(format, size);
                if (name == "fmt " && format is null)
                {
                    if (size < 16) return null;
                    var body = reader.ReadBytes((int)size);
                    format = (
                        BitConverter.ToUInt16(body, 0),
                        BitConverter.ToUInt16(body, 2),
                        BitConverter.ToUInt32(body, 4),
                        BitConverter.ToUInt16(body, 14));
                    if (size % 2 == 1) reader.BaseStream.Position++;
                }
                else
                {
                    reader.BaseStream.Position += size + (size % 2);
                }
            }
        }
        catch (EndOfStreamException)
        {
            return null;
        }
    }

    /// <summary>True where a row's numbers can be read; nothing stands for none.</summary>
    public static bool IsRow(IReadOnlyDictionary<string, string> row)
    {
        bool IsFrame(string text) =>
            text.Length == 0 || (text.All(char.IsAsciiDigit) && int.TryParse(text, CultureInfo.InvariantCulture, out _));
        var gain = row["gain_db"];
        return IsFrame(row["loop_from"])
            && IsFrame(row["loop_to"])
            && (gain.Length == 0
                || double.TryParse(
                    gain,
                    NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
                    CultureInfo.InvariantCulture,
                    out _));
    }

    private static Wave? Of((int Tag, int Channels, uint Rate, int Bits)? format, uint size) =>
        format is (1, 1 or 2, >= 1 and <= 768_000, 16) and var (_, channels, rate, _) && size > 0 && size % (channels * 2) == 0
            ? new Wave(rate, channels, size / (channels * 2))
            : null;

    private static string Name(BinaryReader reader) =>
        reader.ReadBytes(4) is { Length: 4 } name ? Encoding.Latin1.GetString(name) : throw new EndOfStreamException();
}

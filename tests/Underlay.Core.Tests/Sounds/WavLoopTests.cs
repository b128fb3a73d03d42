using System.Buffers.Binary;
using CsCheck;
using Underlay.Core.Formats.Wav;
using Underlay.Core.Offers;

namespace Underlay.Core.Tests.Sounds;

/// <summary>Loops that sound editors write into WAV files are known, and files that lie about them are not believed.</summary>
public class WavLoopTests
{
    private static byte[] Chunk(params (uint Type, uint Start, uint End)[] loops)
    {
        var chunk = new byte[8 + 36 + (loops.Length * 24)];
        "smpl"u8.CopyTo(chunk);
        BinaryPrimitives.WriteInt32LittleEndian(chunk.AsSpan(4), chunk.Length - 8);
        BinaryPrimitives.WriteInt32LittleEndian(chunk.AsSpan(8 + 28), loops.Length);
        for (var i = 0; i < loops.Length; i++)
        {
            var at = chunk.AsSpan(8 + 36 + (i * 24));
            BinaryPrimitives.WriteUInt32LittleEndian(at[4..], loops[i].Type);
            BinaryPrimitives.WriteUInt32LittleEndian(at[8..], loops[i].Start);
            BinaryPrimitives.WriteUInt32LittleEndian(at[12..], loops[i].End);
        }

        return chunk;
    }

    /// <summary>8,000 frames with the chunk behind the samples or before them.</summary>
    private static byte[] File(byte[] chunk, bool isBehind = true)
    {
        var wav = TestSound.Wav(32_000, 1, 0.25);
        return isBehind ? [.. wav, .. chunk] : [.. wav[..36], .. chunk, .. wav[36..]];
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void The_last_frame_of_the_chunk_is_played(bool isBehind) =>
        Assert.Equal((100, 4001), WavLoop.Of(File(Chunk((0, 100, 4000)), isBehind)));

    [Fact]
    public void The_first_that_goes_forward_and_lies_in_the_sound_counts()
    {
        Assert.Equal((10, 21), WavLoop.Of(File(Chunk((1, 5, 9), (0, 9000, 9500), (0, 30, 30), (0, 10, 20), (0, 1, 2)))));
        Assert.Equal((0, 8000), WavLoop.Of(File(Chunk((0, 0, 7999)))));
        Assert.Null(WavLoop.Of(File(Chunk((0, 0, 8000)))));
        Assert.Null(WavLoop.Of(File(Chunk())));
        Assert.Null(WavLoop.Of(TestSound.Wav()));
        Assert.Null(WavLoop.Of("RIFF"u8));
    }

    /// <summary>As the file is, or saved at another rate at the same moments; steps may move what lies where.</summary>
    [Fact]
    public void In_a_pack_it_lies_where_the_place_plays_it()
    {
        var path = PackPath.Parse("audio/ambience/saltbrook_surf.wav");
        var tree = APack.Of().With(path.Value, File(Chunk((0, 100, 3999)))).Tree;
        Assert.Equal((100, 4000), OwnLoop.Of(tree, path));
        var overlay = CheckReport.Make(Repository.Kilnmoor, null, SmallBase.Of, tree).Overlay!;
        var seat = SoundSeat.Of(overlay, overlay.OfPack(path)!)!;
        var fast = WithRate(File(Chunk((0, 100, 3999))), 16_000);
        tree = tree.With(SoundShaping.Renew(tree, seat, fast).Edits);
        Assert.Equal((200, 8000), OwnLoop.Of(tree, path));
        tree = tree.With(SoundShaping.Add(tree, seat, new Core.Steps.CutSound(10, 200)).Edits);
        Assert.Null(OwnLoop.Of(tree, path));
        Assert.Null(OwnLoop.Of(tree, PackPath.Parse("audio/ambience/none.wav")));
    }

    private static byte[] WithRate(byte[] file, int rate)
    {
        BinaryPrimitives.WriteInt32LittleEndian(file.AsSpan(24), rate);
        return file;
    }

    /// <summary>Whatever is cut or overwritten, the answer is a loop of the sound or none, and never an exception.</summary>
    [Fact]
    public void A_damaged_file_has_a_loop_of_its_own_frames_or_none() =>
        Gen.Select(Gen.Int[0, 16_200], Gen.Int[0, 16_200], Gen.Byte, Gen.Bool).Sample((length, at, value, isBehind) =>
        {
            var file = File(Chunk((0, 100, 4000)), isBehind);
            file[at % file.Length] = value;
            if (WavLoop.Of(file.AsSpan(0, Math.Min(file.Length, length))) is { } loop)
                Assert.InRange(loop.To, loop.From + 1, 8000 * 2);
        });

    /// <summary>A loop that is put into a file is the one that is read from it, and the samples stay as they are.</summary>
    [Fact]
    public void A_loop_that_is_put_in_is_the_only_one_and_touches_nothing_else() =>
        Gen.Select(Gen.Int[0, 7998], Gen.Int[1, 8000], Gen.Bool, Gen.Bool, Gen.Int[0, 9]).Sample((a, b, isBehind, had, odd) =>
        {
            // One frame alone is what editors write where there is none.
            var (from, to) = (Math.Min(a, b), Math.Max(Math.Max(a, b), Math.Min(a, b) + 2));
            var note = new byte[8 + odd];
            "LIST"u8.CopyTo(note);
            note[4] = (byte)odd;
            byte[] extra = [.. note, .. new byte[odd % 2]];
            var file = File([.. extra, .. had ? Chunk((0, 1, 2)) : []], isBehind);
            var told = WavLoop.Put(file, from, to);
            Assert.Equal((from, to), WavLoop.Of(told));
            Assert.Equal(WavReader.Read(file)!.Channels[0], WavReader.Read(told)!.Channels[0]);
            Assert.Equal(told, WavLoop.Put(told, from, to));
            Assert.Equal(1, told.AsSpan().Count("smpl"u8));
        });

    [Fact]
    public void What_is_no_WAV_file_or_is_cut_stays_as_it_is()
    {
        var cut = TestSound.Wav()[..500];
        Assert.Equal(cut, WavLoop.Put(cut, 0, 10));
        Assert.Equal("OggS"u8.ToArray(), WavLoop.Put("OggS"u8.ToArray(), 0, 10));
    }

    /// <summary>A copy for the author's editor tells of the loop in the table.</summary>
    [Fact]
    public void A_copy_of_a_sound_that_goes_round_tells_where()
    {
        var pack = APack.Of()
            .With("audio/ambience/quay.wav", TestSound.Wav(channels: 2, level: 0.29))
            .With("audio/ambience.csv", "name,loop_from,loop_to,gain_db\nquay,200,4000,-3\n");
        var overlay = pack.Check().Overlay!;
        var path = PackPath.Parse("audio/ambience/quay.wav");
        var told = OwnLoop.Told(overlay, overlay.OfPack(path)!, pack.Tree.Find(path)!.ReadAll());
        Assert.Equal((200, 4000), WavLoop.Of(told));
    }

    public static TheoryData<uint> Edges => [0, 1, 0x7FFFFFF7, 0x7FFFFFFF, 0x80000000, 0xFFFFFFF7, 0xFFFFFFF8, 0xFFFFFFFF];

    /// <summary>A chunk that says any length at all, before the samples or behind them: each reader comes to an end.</summary>
    [Theory]
    [MemberData(nameof(Edges))]
    public void A_chunk_of_any_length_is_walked_over_once(uint size)
    {
        byte[] chunk = [.. "junk"u8, .. BitConverter.GetBytes(size)];
        foreach (var isBehind in new[] { true, false })
        {
            var file = File(chunk, isBehind);
            Assert.Null(WavLoop.Of(file));
            Assert.Equal(isBehind || size == 0, WavReader.Inspect(file).Problem is null);
            Assert.True(WavLoop.Put(file, 10, 20).Length >= file.Length);
        }
    }
}

using CsCheck;
using Underlay.Core.Images;

namespace Underlay.Core.Tests.Images;

/// <summary>Distances between colours are those that people see.</summary>
public class OklabTests
{
    private static readonly Gen<Oklab> AnyColour = Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte).Select(Oklab.Of);

    /// <summary>Values of the sample colours in CSS Color 4.</summary>
    [Theory]
    [InlineData(255, 255, 255, 1.000, 0.000, 0.000)]
    [InlineData(0, 0, 0, 0.000, 0.000, 0.000)]
    [InlineData(255, 0, 0, 0.628, 0.225, 0.126)]
    [InlineData(0, 128, 0, 0.520, -0.140, 0.108)]
    [InlineData(0, 0, 255, 0.452, -0.032, -0.312)]
    public void Known_colours_have_their_known_values(byte r, byte g, byte b, double lightness, double a, double bb)
    {
        var lab = Oklab.Of(r, g, b);
        Assert.Equal(lightness, lab.L, 0.001);
        Assert.Equal(a, lab.A, 0.001);
        Assert.Equal(bb, lab.B, 0.001);
    }

    [Fact]
    public void Greys_have_no_hue() =>
        Gen.Byte.Sample(v =>
        {
            var lab = Oklab.Of(v, v, v);
            Assert.Equal(0, lab.A, 0.0005);
            Assert.Equal(0, lab.B, 0.0005);
        });

    [Fact]
    public void A_way_over_a_third_colour_is_never_shorter() =>
        Gen.Select(AnyColour, AnyColour, AnyColour).Sample((one, other, third) =>
        {
            Assert.Equal(0, one.DistanceTo(one));
            Assert.Equal(one.DistanceTo(other), other.DistanceTo(one));
            Assert.True(one.DistanceTo(other) <= one.DistanceTo(third) + third.DistanceTo(other) + 1e-12);
        });

    [Fact]
    public void More_light_is_never_darker() =>
        Gen.Select(Gen.Byte, Gen.Byte, Gen.Byte).Sample((r, g, b) =>
        {
            Assert.InRange(Srgb.Luminance(r, g, b), 0, 1);
            if (r < 255) Assert.True(Srgb.Luminance((byte)(r + 1), g, b) > Srgb.Luminance(r, g, b));
            Assert.True(Srgb.ToLinear(b) <= b / 255.0 + 1e-12);
        });
}

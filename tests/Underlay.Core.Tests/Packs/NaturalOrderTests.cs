using CsCheck;

namespace Underlay.Core.Tests.Packs;

public class NaturalOrderTests
{
    private static readonly Gen<string> AnyName = Gen.String[Gen.OneOfConst('0', '1', '9', 'a', '/'), 0, 6];

    [Fact]
    public void Members_follow_each_other_as_people_count() =>
        Assert.Equal(
            ["a/2b.png", "a/010.png", "a/64.png", "a/96.png", "a/128.png", "a/192.png", "b"],
            new[] { "a/192.png", "b", "a/64.png", "a/128.png", "a/010.png", "a/96.png", "a/2b.png" }.Order(NaturalOrder.Comparer));

    [Fact]
    public void It_is_an_order() =>
        Gen.Select(AnyName, AnyName, AnyName).Sample((a, b, c) =>
        {
            var order = NaturalOrder.Comparer;
            Assert.Equal(Math.Sign(order.Compare(a, b)), -Math.Sign(order.Compare(b, a)));
            Assert.Equal(a == b, order.Compare(a, b) == 0);
            if (order.Compare(a, b) <= 0 && order.Compare(b, c) <= 0) Assert.True(order.Compare(a, c) <= 0);
        });
}

#include "core/record/body.h"

#include "core/work/seat.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

namespace glimmet::core {
namespace {

TEST(BodyTemplate, KeepsEveryPartInsideItsOwnOutline) {
    for (const BodyKind kind : bodyKinds) {
        const Body body = bodyTemplate(kind, usualLength(kind, 87));
        SCOPED_TRACE(name(kind));
        ASSERT_GE(body.profile.size(), 3U);
        const auto inside = [&](const Point& point) {
            return point.x >= Millimetres{0} && point.x <= body.length &&
                   point.z >= Millimetres{0} && point.z <= body.height;
        };
        for (const Point& point : body.profile) EXPECT_TRUE(inside(point));
        for (const auto& opening : body.openings) {
            for (const Point& point : opening) EXPECT_TRUE(inside(point));
        }
        for (const Cavity& cavity : body.cavities) {
            EXPECT_TRUE(inside(cavity.corner));
            EXPECT_GT(cavity.length.value(), 0);
            EXPECT_GT(cavity.height.value(), 0);
        }
        for (const LampSite& site : body.sites) EXPECT_TRUE(inside(site.at));
        EXPECT_EQ(bodyKindNamed(name(kind)), kind);
    }
}
TEST(BodyTemplate, TellsKindsApartByTheirOutlines) {
    for (const BodyKind a : bodyKinds) {
        for (const BodyKind b : bodyKinds) {
            if (a == b) continue;
            EXPECT_NE(bodyTemplate(a, Millimetres{100}).profile,
                      bodyTemplate(b, Millimetres{100}).profile);
        }
    }
}
TEST(BodyTemplate, ScalesWithItsLength) {
    const Body small = bodyTemplate(BodyKind::Railbus, Millimetres{80});
    const Body large = bodyTemplate(BodyKind::Railbus, Millimetres{160});
    EXPECT_NEAR(large.height.value(), 2 * small.height.value(), 1e-9);
    EXPECT_NEAR(large.axles[1].x.value(), 2 * small.axles[1].x.value(), 1e-9);
}
TEST(DecoderSeat, LiesInTheFirstHollowThatHoldsIt) {
    Job job = newJob("x", BodyKind::DockShunter, {});
    EXPECT_FALSE(decoderSeat(job).has_value());
    Decoder decoder;
    decoder.length = Millimetres{15};
    decoder.width = Millimetres{9};
    decoder.height = Millimetres{4};
    job.decoder = decoder;
    const auto seat = decoderSeat(job);
    EXPECT_TRUE(seat->fits);
    EXPECT_EQ(seat->hollow, "hood");
    job.decoder->height = Millimetres{30};
    EXPECT_FALSE(decoderSeat(job)->fits);
}

}  // namespace
}  // namespace glimmet::core

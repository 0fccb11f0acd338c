// Bodies as they are drawn, units, and where parts find a seat.
#include "core/record/body.h"

#include "core/analysis/placement/placement.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <set>

namespace glimmet::core {
namespace {

using tests::drawing;
using tests::drawings;
using tests::jotted;
using tests::newJob;
using tests::smallCatalogue;

TEST(BodyDrawings, AreWhatAFitterMeets) {
    std::set<std::string> ids, titles;
    for (const BodyDrawing& each : drawings()) {
        EXPECT_TRUE(ids.insert(each.id).second) << each.id;
        EXPECT_TRUE(titles.insert(each.title).second) << each.title;
        EXPECT_EQ(each.body.kind, each.id);
    }
    EXPECT_GE(ids.size(), 24U);
    for (const char* needed :
         {"tank-engine", "tender-engine", "dock-shunter", "hood-diesel", "tram", "saloon",
          "brake-van", "rotary-plough", "lighthouse", "baseboard"}) {
        EXPECT_TRUE(ids.contains(needed)) << needed;
    }
}
TEST(BodyDrawings, KeepEveryPartInsideTheirOutline) {
    for (const BodyDrawing& each : drawings()) {
        const Body& body = each.body;
        SCOPED_TRACE(each.id);
        const auto inside = [&](const Point& point) {
            // A headlamp stands proud of its body by a hand's breadth.
            const Millimetres proud{60};
            return point.x >= -proud && point.x <= body.length + proud &&
                   point.z >= Millimetres{0} && point.z <= body.height;
        };
        for (const Point& point : body.profile) EXPECT_TRUE(inside(point));
        for (const auto* outlines : {&body.openings, &body.lines}) {
            for (const auto& outline : *outlines) {
                for (const Point& point : outline) EXPECT_TRUE(inside(point));
            }
        }
        for (const Cavity& cavity : body.cavities) {
            EXPECT_TRUE(inside(cavity.corner)) << cavity.name;
            EXPECT_TRUE(inside({cavity.corner.x + cavity.length, cavity.corner.z + cavity.height}))
                << cavity.name;
            EXPECT_LE(cavity.width, body.width);
        }
        for (const LampSite& site : body.sites) EXPECT_TRUE(inside(site.at)) << site.name;
        for (const Point& motor : body.motors) EXPECT_TRUE(inside(motor));
        EXPECT_EQ(body.structure, body.axles.empty());
    }
}
TEST(BodyDrawings, AreToldApartByTheirOutlines) {
    for (const BodyDrawing& a : drawings()) {
        for (const BodyDrawing& b : drawings()) {
            if (a.id == b.id) continue;
            EXPECT_NE(a.body.profile, b.body.profile) << a.id << b.id;
        }
    }
}
TEST(Body, IsScaledInEveryMeasureAndRoundedToAHundredth) {
    const Body& large = drawing("railbus").body;
    const Body small = scaled(large, 1 / 87.0);
    EXPECT_DOUBLE_EQ(small.length.value(), 149.43);  // 13000 / 87 = 149.4253
    EXPECT_DOUBLE_EQ(small.axles[1].x.value(), std::round(large.axles[1].x.value() / 0.87) / 100);
    EXPECT_NEAR(small.sites[0].at.z.value(), large.sites[0].at.z.value() / 87, 0.005);
    EXPECT_NEAR(small.cavities[0].width.value(), large.cavities[0].width.value() / 87, 0.005);
    EXPECT_NEAR(small.motors[0].x.value(), large.motors[0].x.value() / 87, 0.005);
    EXPECT_NEAR(small.openings[0][2].z.value(), large.openings[0][2].z.value() / 87, 0.005);
    EXPECT_NEAR(small.lines[0][1].x.value(), large.lines[0][1].x.value() / 87, 0.005);
}

TEST(Units, AreCoupledBehindNamedAndTakenOut) {
    Job train = jotted(newJob("Tern", "railcar"), {"unit railcar called rear car"});
    ASSERT_EQ(train.units.size(), 2U);
    ASSERT_EQ(train.couplings.size(), 1U);
    EXPECT_NE(train.units[0].id, train.units[1].id);
    EXPECT_NEAR(train.couplings[0].gap.value(), 520.0 / 87, 1e-9);
    EXPECT_NEAR(startOf(train, 1).value(),
                train.units[0].body.length.value() + train.couplings[0].gap.value(), 1e-9);
    EXPECT_NEAR(lengthOf(train).value(),
                startOf(train, 1).value() + train.units[1].body.length.value(), 1e-9);
    EXPECT_EQ(unitCalled(train, 0), "1");
    EXPECT_EQ(unitCalled(train, 1), "rear car");
    // Axles are counted through the train; lamps know the unit they sit in.
    train = jotted(train, {"axle 6 left", "lamp rear car rear tail red on 1"});
    EXPECT_FALSE(train.units[1].body.axles[1].collectsRight);
    EXPECT_TRUE(train.units[0].body.axles[1].collectsRight);
    EXPECT_EQ(train.groups[0].rows[0].lamps[0].fitted.unit, train.units[1].id);
    const auto kept = applyLine("uncouple rear car", train, tests::smallCatalogue(), "");
    ASSERT_FALSE(kept.has_value());  // a lamp sits in it
    EXPECT_NE(plain(kept.error().what).find("rear car rear tail lamp"), std::string::npos)
        << plain(kept.error().what);
    train = jotted(train, {"remove rear car rear tail lamp", "uncouple rear car"});
    EXPECT_EQ(train.units.size(), 1U);
    EXPECT_TRUE(train.couplings.empty());
    EXPECT_FALSE(applyLine("uncouple 1", train, tests::smallCatalogue(), "").has_value());
}
TEST(Units, OfHousesAreNotCoupled) {
    const auto refused = [](const Job& job, const char* line) {
        return !applyLine(line, job, tests::smallCatalogue(), "").has_value();
    };
    EXPECT_TRUE(refused(newJob("Light", "lighthouse"), "unit saloon"));
    EXPECT_TRUE(refused(newJob("Saloon", "saloon"), "unit lighthouse"));
    EXPECT_TRUE(refused(jotted(newJob("x", "saloon"), {"unit saloon"}), "body house in 2"));
    EXPECT_TRUE(refused(jotted(newJob("x", "saloon"), {"unit saloon called tail"}),
                        "unit saloon called Tail"));
}
TEST(Units, LengthAndScaleChangeTheOneThatIsMeant) {
    const Job two = jotted(newJob("x", "saloon"), {"unit saloon called tail"});
    EXPECT_FALSE(applyLine("length 200mm", two, tests::smallCatalogue(), "").has_value());
    const Job longer = jotted(two, {"length 200mm in tail"});
    EXPECT_EQ(longer.units[0].body, two.units[0].body);
    EXPECT_DOUBLE_EQ(longer.units[1].body.length.value(), 200);
    const Job small = jotted(longer, {"scale N"});
    EXPECT_NEAR(small.units[1].body.length.value(), 200 * 87.0 / 160, 0.01);
    EXPECT_NEAR(small.couplings[0].gap.value(), 520 / 160.0, 1e-9);
    Job own = two;
    own.units[1].body.ownMeasures = true;
    EXPECT_EQ(jotted(own, {"scale N"}).units[1].body, own.units[1].body);
}
TEST(OwnBody, FollowsWhatWasMeasuredAndKeepsWhatIsInItInPlace) {
    Job drawn = jotted(newJob("x", "dock-shunter"), {"lamp front white", "cavity hood 20x9x8"});
    drawn.intake.spots = {{"S9", "bent", "", "U1", {Millimetres{40}, Millimetres{20}}, "", ""}};
    drawn.lastId = 9;
    const Body& was = drawn.units[0].body;
    const Job own = jotted(drawn, {"roof 60mm", "floor 12mm", "length 150mm", "width 30mm"});
    const Body& body = own.units[0].body;
    EXPECT_EQ(floorOf(body), Millimetres{12});
    EXPECT_EQ(body.height, Millimetres{60});
    EXPECT_EQ(body.length, Millimetres{150});
    EXPECT_EQ(body.width, Millimetres{30});
    Millimetres top{0}, back{0};
    for (const Point& at : body.profile) {
        top = std::max(top, at.z);
        back = std::max(back, at.x);
    }
    EXPECT_NEAR(top.value(), 60, 0.02);
    EXPECT_NEAR((back / was.length).value() / 150 * was.length.value(),
                std::max_element(
                    was.profile.begin(), was.profile.end(),
                    [](auto& a, auto& b) {
                        return a.x < b.x;
                    })->x.value() /
                    was.length.value(),
                1e-3);
    // A hollow that was measured moves and keeps its size; one that is drawn is drawn out.
    const auto hollow = [](const Body& of, const char* name) {
        return *std::find_if(of.cavities.begin(), of.cavities.end(),
                             [&](const Cavity& each) { return each.name == name; });
    };
    EXPECT_EQ(hollow(body, "hood").length, Millimetres{20});
    EXPECT_NE(hollow(body, "hood").corner, hollow(was, "hood").corner);
    EXPECT_NEAR(hollow(body, "cab floor").length.value(),
                hollow(was, "cab floor").length.value() * 150 / was.length.value(), 0.01);
    EXPECT_NEAR(hollow(body, "cab floor").width.value(),
                hollow(was, "cab floor").width.value() * 30 / was.width.value(), 0.01);
    EXPECT_NEAR(own.intake.spots[0].at.x.value(), 40 * 150 / was.length.value(), 0.01);
    EXPECT_NEAR(own.intake.spots[0].at.z.value(), 20 * 60 / was.height.value(), 0.01);
    // Lamps stay at their sites, wheels keep their size.
    EXPECT_EQ(own.groups[0].rows[0].lamps[0].fitted.pose.at, body.sites.front().at);
    for (std::size_t i = 0; i < body.axles.size(); ++i) {
        EXPECT_EQ(body.axles[i].diameter, was.axles[i].diameter);
        EXPECT_NEAR(body.axles[i].x.value(), was.axles[i].x.value() * 150 / was.length.value(),
                    0.01);
    }
    EXPECT_EQ(jotted(own, {"scale N"}).units[0].body, body);  // it is what was measured
    EXPECT_FALSE(applyLine("floor 59mm", own, smallCatalogue(), "").has_value());
    EXPECT_FALSE(applyLine("roof 13mm", own, smallCatalogue(), "").has_value());
}
TEST(OwnBody, OfNoHeightAtAllStaysANumber) {
    Body flat = newJob("x", "dock-shunter").units[0].body;
    for (Point& at : flat.profile) at.z = flat.height;
    const Body made = drawnOut(flat, Millimetres{50}, Millimetres{5}, Millimetres{20});
    for (const Point& at : made.profile) EXPECT_TRUE(std::isfinite(at.z.value()));
    EXPECT_EQ(made.height, Millimetres{20});
}
TEST(OwnBody, AxlesStandWhereTheyWereMeasured) {
    const Job drawn = jotted(newJob("x", "dock-shunter"), {"axle 2 left"});
    const Job own = jotted(drawn, {"axles 60mm 20mm 41mm", "wheels 10.5mm"});
    const auto& axles = own.units[0].body.axles;
    ASSERT_EQ(axles.size(), 3U);
    EXPECT_EQ(axles[0].x, Millimetres{20});
    EXPECT_EQ(axles[2].x, Millimetres{60});
    EXPECT_EQ(axles[1].diameter, Millimetres{10.5});
    EXPECT_TRUE(axles[0].collectsRight);
    EXPECT_FALSE(axles[1].collectsRight);
    EXPECT_TRUE(axles[1].collectsLeft);
    EXPECT_EQ(jotted(own, {"axles 20mm 60mm"}).units[0].body.axles[1].diameter, Millimetres{10.5});
    EXPECT_FALSE(applyLine("axles 20mm 900mm", own, smallCatalogue(), "").has_value());
    EXPECT_FALSE(applyLine("axles 20mm", newJob("x", "house"), smallCatalogue(), "").has_value());
}
TEST(OwnBody, HollowsThatAreNotDrawnAreAdded) {
    const Job two = jotted(newJob("x", "saloon"), {"unit saloon called tail"});
    EXPECT_FALSE(
        applyLine("cavity battery box 50x12x4 at 20x35", two, smallCatalogue(), "").has_value());
    const Job with = jotted(two, {"cavity battery box 50x12x4 at 20x35 in tail"});
    EXPECT_EQ(with.units[0], two.units[0]);
    const Cavity& made = with.units[1].body.cavities.back();
    EXPECT_EQ(made.name, "battery box");
    EXPECT_TRUE(made.measured);
    EXPECT_EQ(made.corner, (Point{Millimetres{20}, Millimetres{35}}));
    EXPECT_EQ(made.width, Millimetres{12});
    // The same again moves it, in the unit that was named.
    const Job again = jotted(with, {"cavity battery box 40x12x4 at 25x35 in tail"});
    EXPECT_EQ(again.units[1].body.cavities.size(), with.units[1].body.cavities.size());
    EXPECT_EQ(again.units[1].body.cavities.back().length, Millimetres{40});
}
TEST(OwnBody, BecomesADrawingForOtherModelsAtAnyScale) {
    const Job own = jotted(newJob("x", "dock-shunter"),
                           {"scale N", "roof 26mm", "cavity hood 20x9x8", "axle 1 none"});
    const BodyDrawing made = ownDrawing(own, 0, "harbour-shunter", "Harbour shunter");
    EXPECT_EQ(made.body.kind, "harbour-shunter");
    EXPECT_NEAR(made.body.height.value(), 26 * 160, 0.01);
    EXPECT_FALSE(made.body.ownMeasures);
    for (const Cavity& each : made.body.cavities) EXPECT_FALSE(each.measured);
    EXPECT_TRUE(made.body.axles[0].collectsLeft && made.body.axles[0].collectsRight);
    const Job next = core::newJob("y", made, *scaleNamed("0"));
    EXPECT_NEAR(next.units[0].body.height.value(), 26 * 160 / 45.0, 0.01);
}
TEST(Units, MotorsAreReadApart) {
    const Job two = jotted(newJob("x", "railcar"), {"unit railcar called rear car"});
    const auto unsaid = applyLine("stall 700mA 12V", two, tests::smallCatalogue(), "");
    ASSERT_FALSE(unsaid.has_value());
    EXPECT_NE(plain(unsaid.error().what).find("motor 1, rear car"), std::string::npos)
        << plain(unsaid.error().what);
    const Job read = jotted(two, {"stall 700mA 12V of motor 1", "ohms of rear car 20 21"});
    EXPECT_EQ(read.units[0].motors[0].readings.size(), 1U);
    EXPECT_EQ(read.units[1].motors[0].windings.size(), 2U);
    EXPECT_TRUE(read.units[1].motors[0].readings.empty());
    EXPECT_TRUE(jotted(read, {"remove ohms of rear car", "remove ohms of M4"})
                    .units[1]
                    .motors[0]
                    .windings.empty());
    EXPECT_TRUE(jotted(read, {"motor none in rear car"}).units[1].motors.empty());
    EXPECT_EQ(jotted(read, {"motor coreless in rear car"}).units[1].motors[0].kind,
              MotorKind::Coreless);
}

Decoder small() {
    Decoder decoder;
    decoder.length = Millimetres{15};
    decoder.width = Millimetres{9};
    decoder.height = Millimetres{4};
    return decoder;
}
/// Where a thing of the job lies; the test fails where it has none.
Placement placementOf(const Job& job, std::string_view what) {
    const auto all = placements(job);
    const Placement* found = core::placementOf(all, what);
    EXPECT_NE(found, nullptr) << what;
    return found ? *found : Placement{{"", "", {}, {}, {}, {}}, 0, {}, {}, false};
}
TEST(Seats, DecoderLiesInTheFirstHollowThatHoldsIt) {
    Job job = newJob("x", "dock-shunter");
    EXPECT_TRUE(placements(job).empty());
    job.decoder = FittedDecoder{small(), {}};
    EXPECT_TRUE(placementOf(job, "decoder").fits);
    EXPECT_EQ(placementOf(job, "decoder").hollow, "hood");
    job.decoder->part.width = job.decoder->part.height = Millimetres{30};
    EXPECT_FALSE(placementOf(job, "decoder").fits);
}
TEST(Seats, AThingIsTurnedUntilItFits) {
    Job job = newJob("x", "dock-shunter");
    Cavity hollow;
    hollow.name = "box";
    hollow.length = Millimetres{20};
    hollow.width = Millimetres{10};
    hollow.height = Millimetres{5};
    job.units[0].body.cavities = {hollow};
    job.decoder = FittedDecoder{small(), {}};
    const auto lies = [&](double length, double width, double height) {
        Decoder& part = job.decoder->part;
        part.length = Millimetres{length};
        part.width = Millimetres{width};
        part.height = Millimetres{height};
        const Placement placement = placementOf(job, "decoder");
        const Cavity& in = job.units[0].body.cavities[placement.hollow == "tall" ? 1 : 0];
        if (placement.fits) {
            EXPECT_LE(placement.box.length, in.length);
            EXPECT_LE(placement.box.width, in.width);
            EXPECT_LE(placement.box.height, in.height);
        }
        return placement.fits ? plain(inHollow(placement.hollow, placement.orientation))
                              : std::string("nowhere");
    };
    EXPECT_EQ(lies(18, 9, 4), "the box");
    EXPECT_EQ(lies(18, 4, 9), "the box, on its side");
    EXPECT_EQ(lies(9, 18, 4), "the box, crosswise");
    EXPECT_EQ(lies(4, 9, 18), "the box, upright");
    EXPECT_EQ(lies(9, 4, 18), "the box, crosswise on its side");
    EXPECT_EQ(lies(4, 18, 9), "the box, upright and crosswise");
    EXPECT_EQ(lies(18, 9, 6), "nowhere");
    EXPECT_EQ(lies(5, 5, 5), "the box");
    // What fits nowhere lies in the roomiest hollow, as large as it is.
    Cavity small = hollow;
    small.name = "small";
    small.length = Millimetres{5};
    job.units[0].body.cavities = {small, hollow, small};
    EXPECT_EQ(lies(25, 25, 25), "nowhere");
    EXPECT_EQ(placementOf(job, "decoder").hollow, "box");
    EXPECT_EQ(placementOf(job, "decoder").corner, (Point{hollow.corner.x, hollow.corner.z}));
    // Where the body has none it hangs in its middle.
    job.units[0].body.cavities.clear();
    const Body& body = job.units[0].body;
    EXPECT_EQ(placementOf(job, "decoder").hollow, "");
    EXPECT_NEAR(placementOf(job, "decoder").corner.x.value(), (body.length.value() - 25) / 2, 1e-9);
    EXPECT_NEAR(placementOf(job, "decoder").corner.z.value(), body.height.value() / 2, 1e-9);
    job.units[0].body.cavities = {hollow};
    // Flat in another hollow comes before turned in the first.
    Cavity tall = hollow;
    tall.name = "tall";
    tall.height = Millimetres{9};
    tall.width = Millimetres{5};
    job.units[0].body.cavities = {hollow, tall};
    EXPECT_EQ(lies(18, 4, 9), "the tall");
}
TEST(Seats, BankLiesBesideTheDecoderNotInIt) {
    Job job = newJob("x", "dock-shunter");
    job.decoder = FittedDecoder{small(), {}};
    job.bank = FittedBank{};
    job.bank->part.length = Millimetres{20};
    job.bank->part.width = job.bank->part.height = Millimetres{5};
    const Placement decoder = placementOf(job, "decoder");
    EXPECT_EQ(placementOf(job, "bank").hollow, "hood");
    EXPECT_GE(placementOf(job, "bank").corner.x.value(),
              decoder.corner.x.value() + decoder.box.length.value());
    job.bank->part.length = Millimetres{30};  // the hood is 44 mm long
    // Behind it there is too little room; beside it, for the hood is wide.
    EXPECT_EQ(placementOf(job, "bank").hollow, "hood");
    EXPECT_GE(placementOf(job, "decoder").lies->corner[1], job.bank->part.width);
    job.bank->part.width = Millimetres{24};
    EXPECT_GE(placementOf(job, "decoder").lies->corner[2], job.bank->part.height);  // upon it
    job.bank->part.height = Millimetres{11};  // it fills the hood
    EXPECT_EQ(placementOf(job, "bank").hollow, "hood");
    EXPECT_EQ(placementOf(job, "decoder").hollow, "cab floor");
    job.bank->part.length = Millimetres{60};
    EXPECT_FALSE(placementOf(job, "bank").fits);
}
TEST(Seats, APlaceThatWasChosenIsKept) {
    Job job = newJob("x", "dock-shunter");
    job.decoder = FittedDecoder{small(), Fitted{job.units[0].id, "cab floor", {}}};
    EXPECT_EQ(placementOf(job, "decoder").hollow, "cab floor");
    EXPECT_TRUE(placementOf(job, "decoder").fits);
}
TEST(Seats, AreFoundInEveryUnit) {
    Job train = jotted(newJob("x", "tram"), {"unit box-van called van"});
    train.decoder = FittedDecoder{small(), {}};
    train.decoder->part.height = Millimetres{8};
    EXPECT_EQ(placementOf(train, "decoder").unit, 1U);
    EXPECT_EQ(placementOf(train, "decoder").hollow, "hold");
}

}  // namespace
}  // namespace glimmet::core

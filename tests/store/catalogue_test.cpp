#include "store/catalogue.h"

#include "core/analysis/lamp_groups.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"
#include "support/scratch.h"

#include <gtest/gtest.h>

using namespace Qt::StringLiterals;

namespace glimmet::store {
namespace {

using tests::Scratch;

const core::LampPart* lampOf(const LoadedCatalogue& loaded, const char* id) {
    return core::lampNamed(loaded.catalogue, id);
}

TEST(Catalogue, PutsTheUsersPartsFirstAndLetsThemReplaceShippedOnes) {
    const Scratch scratch;
    const QString own = scratch.file("catalogue.json");
    const std::size_t shipped = loadedCatalogue(own).catalogue.lamps.size();
    Scratch::write(own, R"({"format":"glimmet-catalogue","version":1,"lamps":[
        {"id":"drawer-7","name":"from drawer 7","family":"amber","vf_V":1.95,"at_A":0.01},
        {"id":"red-3mm","name":"my red","family":"red","max_A":0.01}]})");
    const LoadedCatalogue loaded = loadedCatalogue(own);
    EXPECT_FALSE(loaded.userFault.has_value());
    EXPECT_EQ(loaded.catalogue.lamps.size(), shipped + 1);
    EXPECT_EQ(loaded.catalogue.lamps[0].id, "drawer-7");
    EXPECT_EQ(lampOf(loaded, "red-3mm")->name, "my red");
    EXPECT_EQ(core::currentLimit(*lampOf(loaded, "red-3mm")), core::Amperes{0.01});
    EXPECT_NEAR(
        core::voltageOf(*core::law(*lampOf(loaded, "drawer-7")), core::Amperes{0.01}).value(), 1.95,
        1e-12);
}
TEST(Catalogue, LeavesAFaultyFileOutWholeAndSaysWhy) {
    const Scratch scratch;
    const QString own = scratch.file("catalogue.json");
    for (const char* text :
         {"", "{", "[]", R"({"format":"glimmet-catalogue","version":1,"lamps":[{"id":"a"}]})",
          R"({"format":"glimmet-job","version":1})"}) {
        Scratch::write(own, text);
        const LoadedCatalogue loaded = loadedCatalogue(own);
        ASSERT_TRUE(loaded.userFault.has_value()) << text;
        EXPECT_FALSE(core::plain(loaded.userFault->what).empty());
        EXPECT_GE(loaded.catalogue.decoders.size(), 5U);  // the shipped parts are there
        EXPECT_EQ(lampOf(loaded, "a"), nullptr);
    }
    Scratch::write(own, R"({"format":"glimmet-catalogue","version":7,"lamps":[]})");
    EXPECT_EQ(loadedCatalogue(own).userFault->code, core::ErrorCode::TooNew);
}
TEST(Catalogue, TakesABodyOfTheUsersBesideWhatIsInIt) {
    const tests::Scratch scratch;
    const QString own = scratch.file("new folder/catalogue.json");
    const core::BodyDrawing body = core::ownDrawing(tests::newJob("x", "dock-shunter"), 0,
                                                    "harbour-shunter", "Harbour shunter");
    ASSERT_TRUE(keepPart(own, body).has_value());
    core::BodyDrawing second = body;
    second.id = "other";
    ASSERT_TRUE(keepPart(own, second).has_value());
    const auto loaded = loadedCatalogue(own);
    EXPECT_FALSE(loaded.userFault.has_value());
    ASSERT_NE(core::bodyNamed(loaded.catalogue, "harbour-shunter"), nullptr);
    EXPECT_EQ(core::bodyNamed(loaded.catalogue, "harbour-shunter")->body, body.body);
    EXPECT_NE(core::bodyNamed(loaded.catalogue, "other"), nullptr);
    // A lamp that was read beside them.
    core::LampPart lamp = loaded.catalogue.lamps.front();
    lamp.id = "quay-lantern";
    lamp.forward = core::ForwardPoint{core::Volts{12}, core::Amperes{0.006}};
    lamp.series = core::Ohms{3000};  // 18 of 12 V: it would not be read again
    const QByteArray without = tests::Scratch::contents(own);
    EXPECT_FALSE(keepPart(own, lamp).has_value());
    EXPECT_EQ(tests::Scratch::contents(own), without);
    lamp.series = core::Ohms{1500};
    ASSERT_TRUE(keepPart(own, lamp).has_value());
    EXPECT_EQ(core::plain(keepPart(own, lamp).error().what),
              "There is a lamp “quay-lantern” already.");
    const auto again = loadedCatalogue(own).catalogue;
    ASSERT_NE(core::lampNamed(again, "quay-lantern"), nullptr);
    EXPECT_EQ(*core::lampNamed(again, "quay-lantern"), lamp);
    EXPECT_NE(core::bodyNamed(again, "other"), nullptr);
    // The same again, a faulty file and one that cannot be written: refused, and nothing is lost.
    const QByteArray before = tests::Scratch::contents(own);
    EXPECT_EQ(core::plain(keepPart(own, body).error().what),
              "There is a body “harbour-shunter” already.");
    EXPECT_EQ(tests::Scratch::contents(own), before);
    tests::Scratch::write(own, before.left(before.size() / 2));
    EXPECT_FALSE(keepPart(own, body).has_value());
    EXPECT_EQ(tests::Scratch::contents(own), before.left(before.size() / 2));
    EXPECT_EQ(keepPart(scratch.file("new folder"), body).error().code, core::ErrorCode::Unreadable);
    EXPECT_EQ(keepPart(own + u"/below"_s, body).error().code, core::ErrorCode::NotWritable);
}
TEST(Catalogue, HoldsOnlyPartsThatCanBeReckonedWith) {
    const LoadedCatalogue loaded = loadedCatalogue(QStringLiteral("/nonexistent"));
    for (const core::LampPart& part : loaded.catalogue.lamps) {
        EXPECT_TRUE(core::law(part).has_value()) << part.name;
        EXPECT_GT(core::currentLimit(part), core::Amperes{0.001}) << part.name;
    }
    for (const core::Decoder& decoder : loaded.catalogue.decoders) {
        EXPECT_GE(decoder.peak, decoder.continuous) << decoder.name;
        EXPECT_GE(decoder.overall, decoder.continuous) << decoder.name;
        EXPECT_FALSE(decoder.outputs.empty()) << decoder.name;
    }
}

}  // namespace
}  // namespace glimmet::store

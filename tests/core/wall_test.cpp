// Light that comes through the wall round a lamp.
#include "core/led/wall.h"

#include "core/work/lamp_groups.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <cmath>

namespace glimmet::core {
namespace {

using namespace tests;

TEST(Walls, LetLessThroughTheThickerTheyAre) {
    for (const auto& [material, word] : wordsOf(WallMaterial())) {
        const double thin = leaks({material, Millimetres{0.5}});
        const double thick = leaks({material, Millimetres{1}});
        const double thicker = leaks({material, Millimetres{1.5}});
        if (material == WallMaterial::Metal) {
            EXPECT_EQ(thin, 0);
            continue;
        }
        EXPECT_LT(thin, 0.5) << word;
        // The same share in every half millimetre.
        EXPECT_NEAR(thick / thin, thicker / thick, 1e-12) << word;
        EXPECT_LT(thick, thin) << word;
        EXPECT_EQ(leaks({material, Millimetres{0.1}, true}), 0) << word;
    }
    // As docs/physics.md has them: what passes the faces, and over what depth it falls to 1/e.
    EXPECT_NEAR(leaks({WallMaterial::Styrene, Millimetres{1.4}}), 0.5 / std::exp(1.0), 1e-12);
    EXPECT_NEAR(leaks({WallMaterial::Resin, Millimetres{1.0}}), 0.5 / std::exp(1.0), 1e-12);
    EXPECT_NEAR(leaks({WallMaterial::Card, Millimetres{0.3}}), 0.4 / std::exp(1.0), 1e-12);
    EXPECT_NEAR(leaks({WallMaterial::Wood, Millimetres{0.5}}), 0.3 / std::exp(1.0), 1e-12);
}

Job walled(std::initializer_list<const char*> lines) {
    return jotted(
        jotted(tests::newJob("Aurora", "saloon"),
               {"supply fixed dc 12V", "lamp table warm white for 5mA", "resistor table 1k8"}),
        lines);
}

TEST(Walls, ThatGlowAreToldAndLiningThemEndsIt) {
    const Job thin = walled({"wall table styrene 1mm"});
    const auto all = checkedAll(thin);
    const Finding& leak = finding(all, "lamp.leak:table lamp");
    EXPECT_EQ(leak.state, State::Close);
    EXPECT_NE(plain(leak.sentence).find("about 24 %"), std::string::npos);
    ASSERT_EQ(leak.options.size(), 1U);
    const Job lined = jotted(thin, {leak.options[0].jot.c_str()});
    const auto then = checkedAll(lined);
    EXPECT_EQ(finding(then, "lamp.leak:table lamp").state, State::Fine);
    EXPECT_NE(plain(finding(then, "lamp.leak:table lamp").sentence).find("shows nothing"),
              std::string::npos);
    // A few layers of card, or brass, hold it back; of a wall that nobody told nothing is said.
    EXPECT_EQ(stateOf(walled({"wall table card 2mm"}), leak.id), State::Fine);
    EXPECT_EQ(stateOf(walled({"wall table metal 0.3mm"}), leak.id), State::Fine);
    EXPECT_FALSE(has(checkedAll(walled({})), "lamp.leak:table lamp"));
    EXPECT_FALSE(has(checkedAll(jotted(thin, {"wall table none"})), "lamp.leak:table lamp"));
    // A dim lamp shows less through the same wall.
    EXPECT_EQ(stateOf(jotted(walled({"wall table card 1mm"}), {"resistor table 10k"}), leak.id),
              State::Fine);
    // Dark lamps leak nothing.
    EXPECT_FALSE(has(checkedAll(jotted(thin, {"resistor table open"})), "lamp.leak:table lamp"));
}

TEST(Walls, AreKnownToThePicture) {
    const auto leakOf = [](const Job& job) {
        const auto facts = factsOf(job);
        return litLamps(job, facts.groups).front().leak;
    };
    EXPECT_FALSE(leakOf(walled({})));
    EXPECT_NEAR(*leakOf(walled({"wall table resin 1mm"})), std::cbrt(0.5 / std::exp(1.0)), 1e-12);
    EXPECT_NEAR(*leakOf(walled({"wall table resin 1mm lined"})), 0, 1e-12);
}

TEST(Walls, WhatIsSaidOfOneLeavesTheRestOfIt) {
    const auto wallOf = [](const Job& job) { return *job.groups[0].rows[0].wall; };
    const Job one = walled({"wall table styrene 1mm lined"});
    EXPECT_TRUE(wallOf(one).lined);
    EXPECT_FALSE(wallOf(jotted(one, {"wall table bare"})).lined);
    const Job other = jotted(one, {"wall table 2mm"});
    EXPECT_EQ(wallOf(other).material, WallMaterial::Styrene);
    EXPECT_NEAR(wallOf(other).thickness.value(), 2, 1e-12);
    EXPECT_TRUE(wallOf(other).lined);
    for (const char* line : {"wall table lined", "wall table styrene", "wall table none 1mm"}) {
        EXPECT_FALSE(understood(line, walled({}), smallCatalogue(), {})) << line;
    }
}

}  // namespace
}  // namespace glimmet::core

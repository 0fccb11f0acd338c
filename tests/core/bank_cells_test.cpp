// The banks of the catalogue side by side.
#include "core/work/stay_alive/bank_cells.h"

#include "core/analysis/stay_alive/consequences.h"
#include "core/quantity/format.h"
#include "support/findings.h"
#include "support/print_quantity.h"
#include "support/sample_jobs.h"

#include <gtest/gtest.h>

#include <set>

namespace glimmet::core {
namespace {

using namespace tests;
using stay_alive::BankAspect;
using stay_alive::BankCell;
using stay_alive::BankRow;
using stay_alive::bankRows;

Job onPoints(std::initializer_list<const char*> lines = {}) {
    return jotted(
        jotted(shunter(), {"decoder middle", "axle 1 none", "axle 3 right", "points 1:9"}), lines);
}
const BankRow& rowOf(const std::vector<BankRow>& rows, std::string_view id) {
    for (const BankRow& row : rows) {
        if (row.bank.bank.part.id == id) return row;
    }
    throw std::out_of_range("no such bank");
}
const BankCell& cell(const BankRow& row, BankAspect aspect) {
    return row.cells.at(static_cast<std::size_t>(aspect));
}
std::string word(const BankRow& row, BankAspect aspect) { return plain(cell(row, aspect).words); }

TEST(BankRows, WhatNoHollowHoldsStandsBehindWhatFits) {
    // Two that hold alike: one too long for the shunter, one that fits.
    Catalogue catalogue = smallCatalogue();
    BankPart fits = catalogue.banks.at(0);
    for (const BankPart& part : catalogue.banks) {
        if (part.id == "module-22m-18") fits = part;
    }
    fits.length = Millimetres{12};
    fits.width = fits.height = Millimetres{6};
    BankPart large = fits;
    large.id = "large";
    large.length = Millimetres{300};
    large.width = large.height = Millimetres{1};  // less of a volume: it would stand before
    catalogue.banks = {large, fits};
    const auto ranked = [&](const Job& job) {
        const JobAnalysis facts = analysed(job, WorkshopRules{}, catalogue);
        return std::pair{stay_alive::rankedBanks(facts, stay_alive::loadsOf(facts)),
                         stay_alive::bankOptions(facts, stay_alive::loadsOf(facts))};
    };
    const auto [all, options] = ranked(onPoints());
    EXPECT_EQ(all.at(0).bank.part.id, "module-22m-18");
    EXPECT_TRUE(all.at(0).room);
    EXPECT_EQ(all.at(0).worst, State::Fine);
    EXPECT_EQ(all.at(1).worst, State::Close);
    EXPECT_NE(plain(options.at(1).effect).find("no hollow holds it"), std::string::npos);
    // Where nobody drew a hollow nothing is known of the room, and the smaller one is told first.
    Job bare = onPoints();
    bare.units[0].body.cavities.clear();
    const auto [unknown, offered] = ranked(bare);
    EXPECT_EQ(unknown.at(0).bank.part.id, "large");
    EXPECT_EQ(unknown.at(0).worst, State::Close);
    EXPECT_NE(plain(offered.at(0).effect).find("its room is not known"), std::string::npos);
}
TEST(BankRows, StandInTheOrderOfTheRemediesWithEveryAspect) {
    const Job job = onPoints();
    const auto rows = bankRows(factsOf(job));
    ASSERT_EQ(rows.size(), smallCatalogue().banks.size());
    const auto options = stay_alive::bankOptions(factsOf(job), stay_alive::loadsOf(factsOf(job)));
    for (std::size_t i = 0; i < options.size(); ++i) {
        EXPECT_EQ(rows[i].bank.jot, options[i].jot);
        EXPECT_EQ(rows[i].bank.worst, options[i].state);
    }
    std::set<std::string> headings;
    for (std::size_t a = 0; a < rows[0].cells.size(); ++a) {
        EXPECT_EQ(rows[0].cells[a].aspect, static_cast<BankAspect>(a));
        headings.insert(plain(stay_alive::heading(static_cast<BankAspect>(a))));
    }
    EXPECT_EQ(headings.size(), rows[0].cells.size());
    for (const BankRow& row : rows) {
        ASSERT_EQ(row.cells.size(), 10U);
        for (const BankCell& each : row.cells) {
            EXPECT_FALSE(each.words.empty());
            EXPECT_FALSE(each.means.empty()) << plain(each.words);
        }
    }
}
TEST(BankRows, SayWhatTheChecksSayOnceTheBankIsFitted) {
    const Job job = onPoints();
    for (const BankRow& row : bankRows(factsOf(job))) {
        const Job fitted = jotted(job, {row.bank.jot.c_str()});
        const auto all = checkedAll(fitted);
        const auto state = [&](const char* id) { return stateOf(fitted, id); };
        const std::string id = row.bank.bank.part.id;
        EXPECT_EQ(cell(row, BankAspect::Holds).state, state("reserve.hold")) << id;
        EXPECT_EQ(cell(row, BankAspect::Volts).state, state("reserve.volts")) << id;
        EXPECT_EQ(cell(row, BankAspect::Charge).state, state("reserve.charge")) << id;
        EXPECT_EQ(cell(row, BankAspect::Cells).state, state("reserve.cells")) << id;
        const Finding& charge = finding(all, "reserve.charge");
        EXPECT_EQ(word(row, BankAspect::Charge),
                  formatted(Amperes{*figure(charge, "I_charge").value}, 2))
            << id;
        EXPECT_EQ(word(row, BankAspect::Full),
                  formatted(Seconds{*figure(charge, "t_full").value}, 2));
        const Figure& hold = figure(finding(all, "reserve.hold"), "t_hold");
        if (hold.value) {
            EXPECT_EQ(word(row, BankAspect::Holds), formatted(Seconds{*hold.value}, 2));
        }
        // And the consequences.
        for (const auto& one : stay_alive::consequencesOf(factsOf(fitted))) {
            const std::string when = plain(one.when);
            if (when == "In ten years") {
                EXPECT_EQ(word(row, BankAspect::Years), percent(*one.figure.value)) << id;
                EXPECT_EQ(cell(row, BankAspect::Years).state, one.state) << id;
            }
            if (when == "On dirty rails") {
                EXPECT_NE(plain(cell(row, BankAspect::Resistor).means)
                              .find(formatted(Watts{*one.figure.value}, 2)),
                          std::string::npos)
                    << id;
            }
            if (when == "Put away for the night" && *one.figure.value > 0.05) {
                EXPECT_EQ(word(row, BankAspect::Night), formatted(Volts{*one.figure.value}, 2));
            }
        }
    }
}
TEST(BankRows, TellVoltsRoomPriceAndCells) {
    Catalogue catalogue = smallCatalogue();
    for (BankPart& bank : catalogue.banks) {
        if (bank.id == "can-1000u-25") bank.price = 0.9;
        if (bank.id != "cells-100m-16") continue;
        bank.inSeries = 6;
        bank.rated = Volts{15.2};
    }
    const Job job = onPoints({"bank can-1000u-25 charge 100R diode 0.35V", "dirt 4 per 1m"});
    const auto facts = analysed(job, WorkshopRules(), catalogue);
    const auto rows = bankRows(facts);
    const BankRow& can = rowOf(rows, "can-1000u-25");
    EXPECT_TRUE(can.bank.inPlace);
    EXPECT_EQ(word(can, BankAspect::Volts), "25 V");
    EXPECT_EQ(word(can, BankAspect::Price), "0.9");
    EXPECT_EQ(word(rowOf(rows, "chips-3300u-25"), BankAspect::Cells), "–");
    EXPECT_EQ(word(can, BankAspect::Full), "500 ms");  // 5 · 100 Ω · 1 mF
    EXPECT_NE(word(can, BankAspect::Stage), "none");
    EXPECT_EQ(cell(can, BankAspect::Stage).state, State::Fine);
    // ½ · 1 mF · (13.3 V)².
    EXPECT_NEAR(0.5e-3 * can.bank.state.bus.value() * can.bank.state.bus.value(), 0.088, 0.003);
    EXPECT_EQ(word(can, BankAspect::Resistor).substr(0, 2), "88");
    EXPECT_EQ(cell(can, BankAspect::Resistor).state, State::Close);  // four stutters a metre
    const auto clean =
        bankRows(analysed(jotted(job, {"dirt 2 per 1m"}), WorkshopRules(), catalogue));
    EXPECT_EQ(cell(rowOf(clean, "can-1000u-25"), BankAspect::Resistor).state, State::Fine);

    const BankRow& cells = rowOf(rows, "cells-100m-16");
    EXPECT_FALSE(cells.bank.inPlace);
    EXPECT_EQ(cell(cells, BankAspect::Cells).state, State::Close);
    EXPECT_NE(word(cells, BankAspect::Cells), "0 %");
    EXPECT_EQ(word(cells, BankAspect::Stage), "none");  // 60 mm in a shunter
    EXPECT_EQ(cell(cells, BankAspect::Stage).state, State::Close);
    EXPECT_EQ(word(cells, BankAspect::Price), "–");
    EXPECT_NE(word(cells, BankAspect::Night), "0 V");
    EXPECT_EQ(word(can, BankAspect::Night), "0 V");
    for (BankPart& bank : catalogue.banks) bank.balanced = bank.id == "cells-100m-16";
    const auto even = bankRows(analysed(job, WorkshopRules(), catalogue));
    EXPECT_EQ(word(rowOf(even, "cells-100m-16"), BankAspect::Cells), "even");

    // So many farads for a second: what it holds is in proportion to them.
    const auto second = stay_alive::faradsForASecond({can});
    ASSERT_TRUE(second);
    EXPECT_NEAR(second->value(), 1e-3 / can.bank.state.hold->time->value(), 1e-12);
    EXPECT_FALSE(stay_alive::faradsForASecond({}));
    // Without volts there is nothing to charge.
    EXPECT_TRUE(bankRows(factsOf(jotted(onPoints(), {"track 5V"}))).empty());
}

}  // namespace
}  // namespace glimmet::core

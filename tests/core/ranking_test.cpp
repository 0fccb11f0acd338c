// Decoders held against everything that a job asks: each aspect is seen to fire and to stay silent,
// and the order keeps its promises on catalogues made at random.
#include "core/analysis/decoder/ranking.h"

#include "support/findings.h"
#include "support/print_quantity.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <random>
#include <set>

namespace glimmet::core::decoder {
namespace {

using tests::factsOf;
using tests::found;
using tests::jotted;
using tests::shunter;
using tests::smallCatalogue;
using tests::stateOf;

Cell cellOf(const Job& job, const Decoder& decoder, Aspect aspect) {
    return held(factsOf(job), driveEvidence(job), decoder).cells[static_cast<std::size_t>(aspect)];
}
Decoder middle() { return smallCatalogue().decoders[1]; }
TEST(Ranking, ItsColumnsAreCalledByWhatTheyHold) {
    EXPECT_STREQ(decoder::title(decoder::Aspect::Motor), "Motor");
    EXPECT_STREQ(decoder::title(decoder::Aspect::Stage), "Room");
    EXPECT_STREQ(decoder::title(decoder::Aspect::StayAlive), "Stay-alive");
    EXPECT_STREQ(decoder::title(decoder::Aspect::Price), "Price");
}
TEST(Ranking, HasACellForEveryAspectInOrder) {
    const RankedDecoder ranked = held(factsOf(shunter()), driveEvidence(shunter()), middle());
    ASSERT_EQ(ranked.cells.size(), aspects);
    for (std::size_t i = 0; i < aspects; ++i) {
        EXPECT_EQ(ranked.cells[i].aspect, static_cast<Aspect>(i));
        EXPECT_FALSE(plain(ranked.cells[i].shows).empty()) << i;
        EXPECT_EQ(ranked.cells[i].state, State::Fine) << i;
        EXPECT_TRUE(ranked.cells[i].says.empty()) << i;
    }
    EXPECT_EQ(ranked.worst, State::Fine);
}
TEST(Ranking, TrackVoltsCountAtTheTopOfTheirRange) {
    Decoder decoder = middle();  // 14.5 V and 5 % are 15.225 V
    const auto state = [&](double volts) {
        decoder.largestTrack = Volts{volts};
        return cellOf(shunter(), decoder, Aspect::Track).state;
    };
    EXPECT_EQ(state(15.2), State::Over);
    EXPECT_EQ(state(15.9), State::Close);  // above 95 %
    EXPECT_EQ(state(16.1), State::Fine);
}
TEST(Ranking, WhatCommandsAModelDecidesWhatItHears) {
    Decoder radio = middle();
    radio.radio = true;
    radio.leastSupply = Volts{6};
    EXPECT_EQ(cellOf(shunter(), middle(), Aspect::Command).state, State::Fine);
    EXPECT_EQ(cellOf(shunter(), radio, Aspect::Command).state, State::Over);
    const Job carried = jotted(shunter(), {"battery 3 li-ion 2.6Ah"});
    EXPECT_EQ(cellOf(carried, radio, Aspect::Command).state, State::Fine);
    EXPECT_EQ(cellOf(carried, middle(), Aspect::Command).state, State::Close);
    // Two cells are empty at 6 V, two of another kind at 2 V: then it stops before they do.
    EXPECT_EQ(cellOf(jotted(carried, {"battery 2 li-ion 2Ah"}), radio, Aspect::Command).state,
              State::Fine);
    EXPECT_EQ(cellOf(jotted(carried, {"battery 5 nimh 2Ah"}), radio, Aspect::Command).state,
              State::Close);
    Job fitted = carried;
    fitted.decoder = FittedDecoder{middle(), {}};
    EXPECT_EQ(stateOf(fitted, "decoder.command"), State::Close);
    fitted.decoder->part = radio;
    EXPECT_EQ(stateOf(fitted, "decoder.command"), State::Fine);
    fitted.feed = Feed::TwoRailDcc;
    EXPECT_EQ(stateOf(fitted, "decoder.command"), State::Over);
    // Volts have a finding of their own.
    fitted = jotted(shunter(), {"decoder middle", "track 24V"});
    EXPECT_EQ(stateOf(fitted, "decoder.command"), State::Fine);
    EXPECT_EQ(stateOf(fitted, "motor.track-volts"), State::Over);
}
TEST(Ranking, OutputsCountByNameKindAndCurrent) {
    const Job job = jotted(shunter(), {"lamp cab white on 1", "resistor cab 1k"});
    Decoder decoder = middle();
    EXPECT_EQ(cellOf(job, decoder, Aspect::Outputs).state, State::Fine);
    decoder.outputs[2].limit = Amperes{0.009};
    EXPECT_EQ(cellOf(job, decoder, Aspect::Outputs).state, State::Over);
    EXPECT_NE(plain(cellOf(job, decoder, Aspect::Outputs).says).find("its output 1 gives 9 mA"),
              std::string::npos);
    decoder = middle();
    decoder.outputs[2].kind = OutputKind::LogicLevel;
    EXPECT_EQ(cellOf(job, decoder, Aspect::Outputs).state, State::Over);
    EXPECT_EQ(plain(cellOf(job, decoder, Aspect::Outputs).shows), "1 of 2");
    decoder.outputs[2].kind = OutputKind::LampSupply;
    EXPECT_EQ(cellOf(job, decoder, Aspect::Outputs).state, State::Over);
    decoder.outputs[2].kind = OutputKind::ConstantCurrent;
    EXPECT_EQ(cellOf(job, decoder, Aspect::Outputs).state, State::Fine);
    decoder.outputs.pop_back();
    EXPECT_EQ(plain(cellOf(job, decoder, Aspect::Outputs).says), "has no output 1 for cab lamp");
    // What hangs on the supply asks nothing of a decoder.
    const Job supplied = jotted(shunter(), {"lamp cab white on supply"});
    EXPECT_EQ(cellOf(supplied, decoder, Aspect::Outputs).state, State::Fine);
    EXPECT_EQ(plain(cellOf(supplied, decoder, Aspect::Outputs).shows), "0 of 2");
}
TEST(Ranking, WhatIsLitTogetherCountsAgainstOutputsAndTheWhole) {
    const Job job = jotted(shunter(), {"lamp cab white on 1", "resistor cab 1k"});  // 10 mA
    Decoder decoder = middle();
    EXPECT_EQ(cellOf(job, decoder, Aspect::Together).state, State::Fine);
    decoder.functionTotal = Amperes{0.009};
    EXPECT_EQ(cellOf(job, decoder, Aspect::Together).state, State::Over);
    decoder = middle();
    decoder.overall = Amperes{0.605};  // slipping takes 600 mA of it
    EXPECT_EQ(cellOf(job, decoder, Aspect::Together).state, State::Over);
    decoder.overall = Amperes{0.65};
    EXPECT_EQ(cellOf(job, decoder, Aspect::Together).state, State::Close);
}
TEST(Ranking, RoomIsCloseInAHollowThatIsOnlyDrawn) {
    Decoder decoder = middle();
    decoder.length = Millimetres{200};
    Job job = shunter();
    EXPECT_EQ(cellOf(job, decoder, Aspect::Stage).state, State::Close);
    job.units[0].body.ownMeasures = true;  // its outline, not what is in it
    EXPECT_EQ(cellOf(job, decoder, Aspect::Stage).state, State::Close);
    for (Cavity& each : job.units[0].body.cavities) each.measured = true;
    EXPECT_EQ(cellOf(job, decoder, Aspect::Stage).state, State::Over);
    EXPECT_EQ(cellOf(jotted(shunter(), {"only under 19mm"}), middle(), Aspect::Stage).state,
              State::Over);
    EXPECT_EQ(cellOf(jotted(shunter(), {"only under 20mm"}), middle(), Aspect::Stage).state,
              State::Fine);
    job.decoder->part = decoder;
    EXPECT_EQ(stateOf(job, "decoder.room"), State::Over);
    EXPECT_EQ(stateOf(shunter(), "decoder.room"), State::Fine);
}
TEST(Ranking, SocketSoundStayAliveAndPriceAreWishes) {
    Decoder decoder = middle();
    EXPECT_EQ(cellOf(jotted(shunter(), {"socket 8-pin"}), decoder, Aspect::Socket).state,
              State::Close);
    EXPECT_EQ(cellOf(jotted(shunter(), {"socket none"}), decoder, Aspect::Socket).state,
              State::Fine);
    decoder.plug = "8-pin";
    EXPECT_EQ(cellOf(jotted(shunter(), {"socket 8-pin"}), decoder, Aspect::Socket).state,
              State::Fine);
    EXPECT_EQ(cellOf(jotted(shunter(), {"socket none"}), decoder, Aspect::Socket).state,
              State::Fine);  // its leads are soldered
    EXPECT_EQ(plain(cellOf(jotted(shunter(), {"socket 6-pin"}), decoder, Aspect::Socket).says),
              "its plug is no 6-pin");

    const Job wished = jotted(shunter(), {"only sound"});
    EXPECT_EQ(cellOf(wished, decoder, Aspect::Sound).state, State::Close);
    EXPECT_EQ(stateOf(wished, "decoder.sound"), State::Close);
    EXPECT_EQ(stateOf(shunter(), "decoder.sound"), State::Fine);
    EXPECT_EQ(stateOf(jotted(wished, {"refuse sound no room"}), "decoder.sound"), State::Fine);
    EXPECT_EQ(stateOf(jotted(wished, {"only any"}), "decoder.sound"), State::Fine);
    decoder.sound = true;
    EXPECT_EQ(cellOf(wished, decoder, Aspect::Sound).state, State::Fine);

    Job banked = jotted(shunter(), {"bank electrolytic-2200u-25"});
    EXPECT_EQ(stateOf(banked, "decoder.stay-alive"), State::Fine);  // not told: not held against it
    // A plain bank is soldered to its rectifier, which the bank says; a plug-in one joins nowhere.
    banked.decoder->part.stayAlive = StayAliveTerminals::None;
    EXPECT_EQ(stateOf(banked, "decoder.stay-alive"), State::Fine);
    EXPECT_EQ(stateOf(banked, "reserve.terminals"), State::Close);
    EXPECT_EQ(cellOf(banked, banked.decoder->part, Aspect::StayAlive).state, State::Close);
    const Job plugged = jotted(banked, {"bank module-22m-18"});
    EXPECT_EQ(stateOf(plugged, "decoder.stay-alive"), State::Over);
    EXPECT_EQ(stateOf(plugged, "reserve.terminals"), State::Over);
    banked.decoder->part.stayAlive = StayAliveTerminals::Pads;
    EXPECT_EQ(stateOf(banked, "decoder.stay-alive"), State::Fine);

    Job cheap = shunter();
    cheap.wanted.price = 14;
    EXPECT_EQ(cellOf(cheap, middle(), Aspect::Price).state, State::Close);  // it costs 15
    cheap.wanted.price = 15;
    EXPECT_EQ(cellOf(cheap, middle(), Aspect::Price).state, State::Fine);
}
TEST(Ranking, WhatALeafletAllowsOfABankCounts) {
    const Job job = jotted(shunter(), {"bank 2200u 25V charge 100R diode 0.35V"});
    ASSERT_TRUE(job.bank);
    Decoder decoder = middle();
    const auto cell = [&] { return cellOf(job, decoder, Aspect::StayAlive); };
    EXPECT_EQ(cell().state, State::Fine);  // its leaflet says none
    decoder.mostBank = Farads{2200e-6};
    EXPECT_EQ(cell().state, State::Fine);
    decoder.mostBank = Farads{1000e-6};
    EXPECT_EQ(cell().state, State::Over);
    EXPECT_EQ(plain(cell().says), "allows a bank of 1 mF only");
    EXPECT_EQ(cellOf(shunter(), decoder, Aspect::StayAlive).state, State::Fine);  // without one
    // Of the one that is fitted the bank says it, and nothing is said of a place that is there.
    const Job fitted = jotted(job, {"allows 1000u"});
    EXPECT_EQ(stateOf(fitted, "reserve.allowed"), State::Over);
    EXPECT_EQ(stateOf(fitted, "decoder.stay-alive"), State::Fine);
}
TEST(Ranking, SaysWhatEachWinsAndLoses) {
    const auto ranked = rankedDecoders(factsOf(shunter()), driveEvidence(shunter()));
    ASSERT_GE(ranked.size(), 4U);
    EXPECT_EQ(ranked.front().decoder->id, "middle");
    EXPECT_EQ(plain(ranked.front().wins), "the cheapest that will do");
    EXPECT_TRUE(ranked.front().loses.empty());
    for (const RankedDecoder& each : ranked) {
        if (each.decoder->id == "large") {
            EXPECT_EQ(plain(each.wins), "the strongest that will do");
            EXPECT_EQ(plain(each.loses), "costs 22.5 more");
        }
        if (each.decoder->id == "small") {
            EXPECT_EQ(plain(each.loses), "too small for the motor");
            EXPECT_TRUE(each.wins.empty());
        }
    }
    EXPECT_EQ(ranked.back().decoder->id, "small");
}

TEST(Ranking, OneThatIsCloseStillDoesAndSaysWhatIsClose) {
    // 0.6 A of slipping on 0.65 A continuous: within a sixth of it, and the cheapest there is.
    Catalogue parts = smallCatalogue();
    Decoder tight = middle();
    tight.id = "tight";
    tight.continuous = Amperes{0.65};
    tight.price = 1;
    parts.decoders.push_back(tight);
    const Job job = shunter();
    const auto ranked = rankedDecoders(analysed(job, WorkshopRules(), parts), driveEvidence(job));
    const auto found = std::find_if(ranked.begin(), ranked.end(), [](const RankedDecoder& each) {
        return each.decoder->id == "tight";
    });
    ASSERT_NE(found, ranked.end());
    EXPECT_EQ(found->worst, State::Close);
    EXPECT_EQ(plain(found->wins), "the cheapest that will do");
    EXPECT_EQ(plain(found->loses), "little in hand for the motor");
}

Catalogue anyCatalogue(std::mt19937& random) {
    const auto any = [&](double least, double most) {
        return std::uniform_real_distribution<>(least, most)(random);
    };
    Catalogue made;
    for (int i = 0; i < 40; ++i) {
        Decoder decoder = middle();
        decoder.id = "d" + std::to_string(i);
        decoder.continuous = Amperes{any(0.3, 2)};
        decoder.peak = decoder.continuous * any(1.2, 2.2);
        decoder.overall = decoder.continuous * any(1.0, 1.6);
        decoder.functionTotal = Amperes{any(0.005, 0.5)};
        decoder.largestTrack = Volts{any(14, 24)};
        decoder.length = Millimetres{any(8, 60)};
        decoder.width = Millimetres{any(6, 20)};
        decoder.height = Millimetres{any(2, 12)};
        decoder.price = any(15, 90);
        decoder.sound = any(0, 1) < 0.3;
        decoder.plug = any(0, 1) < 0.5 ? "8-pin" : "hard-wired";
        if (any(0, 1) < 0.3) decoder.outputs.pop_back();
        made.decoders.push_back(std::move(decoder));
    }
    return made;
}
TEST(Ranking, WhatIsBetterInEverythingNeverStandsBelow) {
    std::mt19937 random{7};
    const WorkshopRules house;
    for (int trial = 0; trial < 60; ++trial) {
        Catalogue parts = anyCatalogue(random);
        const std::size_t of = random() % parts.decoders.size();
        Decoder better = parts.decoders[of];
        better.id = "better";
        better.continuous *= 1.1;
        better.peak *= 1.1;
        better.overall = better.overall * 1.1 + soundUsual;  // its sound takes its share
        better.functionTotal *= 1.1;
        better.largestTrack *= 1.1;
        better.length *= 0.9;
        better.width *= 0.9;
        better.height *= 0.9;
        *better.price *= 0.9;
        better.sound = true;
        parts.decoders.push_back(better);
        for (const Job& job :
             {shunter(),
              jotted(shunter(), {"only sound", "lamp cab white on 1", "resistor cab 1k"}),
              jotted(shunter(), {"track 20V", "socket none", "only under 24mm"}),
              tests::newJob("x", "railbus", {"N", 160})}) {
            const auto ranked = rankedDecoders(analysed(job, house, parts), driveEvidence(job));
            const auto at = [&](const std::string& id) {
                return std::find_if(
                           ranked.begin(), ranked.end(),
                           [&](const RankedDecoder& each) { return each.decoder->id == id; }) -
                       ranked.begin();
            };
            EXPECT_LT(at("better"), at(parts.decoders[of].id)) << trial << " " << job.name;
            for (std::size_t i = 1; i < ranked.size(); ++i) {
                EXPECT_LE(ranked[i - 1].worst, ranked[i].worst);
            }
        }
    }
}
TEST(Ranking, ShippedDecodersAreManyAndEachOneFitsSomething) {
    const auto shipped = store::loadedCatalogue({}).catalogue;
    EXPECT_GE(shipped.decoders.size(), 40U);
    const WorkshopRules house;
    std::vector<std::string> never;
    for (const Decoder& decoder : shipped.decoders) never.push_back(decoder.id);
    for (const char* scale : {"N", "H0", "0", "G"}) {
        for (const char* stall : {"stall 0.4A 12V", "stall 1.2A 12V", "stall 3.5A 16V"}) {
            const Job job = jotted(tests::newJob("x", "box-electric", *scaleNamed(scale)),
                                   {stall, "slip 0.3A"});
            for (const RankedDecoder& each :
                 rankedDecoders(analysed(job, house, shipped), driveEvidence(job))) {
                if (each.worst <= State::Close) std::erase(never, each.decoder->id);
            }
        }
    }
    const Job carried = jotted(tests::newJob("x", "box-electric", *scaleNamed("G")),
                               {"stall 1.2A 12V", "slip 0.3A", "battery 3 li-ion 2.6Ah"});
    for (const RankedDecoder& each :
         rankedDecoders(analysed(carried, house, shipped), driveEvidence(carried))) {
        if (each.worst <= State::Close) std::erase(never, each.decoder->id);
    }
    EXPECT_EQ(never, std::vector<std::string>{});
}
TEST(Ranking, OfEqualsWhatASisterHasComesBeforeTheCheaper) {
    const Job job = shunter();
    WorkshopRules house;
    const auto first = [&](const std::vector<SameType>& sameType) {
        return rankedDecoders(analysed(job, house, smallCatalogue(), sameType), driveEvidence(job))
            .front();
    };
    const std::string cheapest = first({}).decoder->id;
    EXPECT_EQ(first({{2, "No. 5", {}, "large"}}).decoder->id, "large");
    EXPECT_EQ(plain(first({{2, "No. 5", {}, "large"}}).wins), "as in No. 5");
    // Where all are close it still speaks for one.
    const Job tight = jotted(tests::newJob("x", "railcar"), {"stall 0.5A 12V"});
    const auto close =
        rankedDecoders(analysed(tight, house, smallCatalogue(), {{2, "No. 5", {}, "large"}}),
                       driveEvidence(tight));
    ASSERT_EQ(close.front().worst, State::Close);
    EXPECT_EQ(close.front().decoder->id, "large");
    EXPECT_EQ(plain(close.front().wins), "as in No. 5");
    // One that will not do is not ranked up, and the drawer still comes first.
    EXPECT_EQ(first({{2, "No. 5", {}, "small"}}).decoder->id, cheapest);
    house.decoders = {"middle"};
    EXPECT_EQ(first({{2, "No. 5", {}, "large"}}).decoder->id, "middle");
}
TEST(Ranking, OfEqualsWhatLiesInTheDrawerComesFirst) {
    const Job job = shunter();
    WorkshopRules house;
    const auto first = [&] {
        return rankedDecoders(analysed(job, house, smallCatalogue()), driveEvidence(job)).front();
    };
    const std::string cheapest = first().decoder->id;
    ASSERT_NE(cheapest, "large");
    EXPECT_FALSE(first().atHand);
    house.decoders = {"large", "small"};
    EXPECT_EQ(first().decoder->id, "large");  // the small one is too weak, drawer or not
    EXPECT_EQ(plain(first().wins), "in the drawer");
}
TEST(Controller, KeysAreCountedAgainstWhatIsSwitched) {
    Job job = jotted(shunter(), {"decoder middle", "lamp cab white on 1"});
    EXPECT_EQ(found(core::findings(factsOf(job)), "controller.keys"), nullptr);
    std::set<std::string> outputs;
    for (const LampGroup& group : job.groups) outputs.insert(group.output);
    ASSERT_TRUE(outputs.contains("1"));
    EXPECT_EQ(stateOf(jotted(job, {"controller 1 key"}), "controller.keys"),
              outputs.size() > 1 ? State::Close : State::Fine);
    job = jotted(job, {"lamp front white on front", "controller 2 keys"});
    EXPECT_EQ(stateOf(job, "controller.keys"), State::Fine);
    job.decoder->part.sound = true;
    EXPECT_EQ(stateOf(job, "controller.keys"), State::Close);
    job = jotted(job, {"controller 28 keys address 99 cannot read"});
    EXPECT_EQ(job.controller, (Controller{28, 99, false}));
    EXPECT_EQ(stateOf(job, "controller.keys"), State::Fine);
}

TEST(Wishes, APriceIsHeldAgainstEachAndTakenBackWithTheRest) {
    const Job dear = jotted(shunter(), {"only price 40"});
    EXPECT_EQ(dear.wanted.price, 40.0);
    Decoder part = dear.decoder->part;
    part.price = 41;
    const auto cell = [&](const Decoder& decoder) {
        return decoder::held(factsOf(dear), driveEvidence(dear), decoder)
            .cells[static_cast<std::size_t>(decoder::Aspect::Price)]
            .state;
    };
    EXPECT_NE(cell(part), State::Fine);
    part.price = 40;
    EXPECT_EQ(cell(part), State::Fine);
    EXPECT_FALSE(jotted(dear, {"only any"}).wanted.price.has_value());
    EXPECT_TRUE(jotted(dear, {"under 12mm"}).wanted.price.has_value());
}
TEST(Controller, ReachesTheAddressThatTheModelCameWithOrNot) {
    const Job came = jotted(shunter(), {"arrives with decoder", "settings 1=3 17=204 18=35 29=34"});
    EXPECT_EQ(found(core::findings(factsOf(came)), "controller.address"), nullptr);
    EXPECT_EQ(stateOf(jotted(came, {"controller address 3107"}), "controller.address"),
              State::Fine);
    const Job beyond = jotted(came, {"controller address 3106"});
    const auto all = core::findings(factsOf(beyond));
    const Finding* address = found(all, "controller.address");
    ASSERT_NE(address, nullptr);
    EXPECT_EQ(address->state, State::Close);
    EXPECT_EQ(plain(address->action), "give it an address up to 3106");
    // Not known what it came with: nothing to say.
    EXPECT_EQ(found(core::findings(factsOf(jotted(shunter(), {"controller address 99"}))),
                    "controller.address"),
              nullptr);

    EXPECT_EQ(found(core::findings(factsOf(came)), "controller.reads-back"), nullptr);
    const auto writes = core::findings(factsOf(jotted(came, {"controller cannot read"})));
    ASSERT_NE(found(writes, "controller.reads-back"), nullptr);
    EXPECT_EQ(found(writes, "controller.reads-back")->state, State::Fine);
}

TEST(Bounds, AreReadingsToo) {
    // "over 1 A at half throttle": more than half an ampere continuous carries, whatever else.
    const Job small =
        jotted(tests::newJob("x", "dock-shunter"), {"decoder small", "over 1A at half throttle"});
    EXPECT_EQ(stateOf(small, "motor.rating"), State::Over);
    const auto all = findings(factsOf(small));
    EXPECT_NE(plain(found(all, "motor.rating")->sentence).find("running it draws more than 1 A"),
              std::string::npos);
    // A bound that a decoder carries proves nothing; nor is the motor one of the usual ones then.
    const Job large =
        jotted(tests::newJob("x", "dock-shunter"), {"decoder large", "over 1A at half throttle"});
    EXPECT_EQ(stateOf(large, "motor.rating"), State::Ask);
    EXPECT_EQ(
        stateOf(jotted(tests::newJob("x", "dock-shunter"), {"decoder large"}), "motor.rating"),
        State::Fine);
    EXPECT_EQ(stateOf(jotted(large, {"remove light"}), "motor.rating"), State::Fine);
}
TEST(WantedReadings, AreAskedForOnlyWhereTheyDecide) {
    EXPECT_EQ(
        stateOf(jotted(tests::newJob("x", "dock-shunter"), {"decoder small"}), "motor.reading"),
        State::Ask);
    EXPECT_EQ(stateOf(shunter(), "motor.reading"), State::Fine);
    // No decoder yet: its kind will do to choose by, in a scale where kinds say something.
    EXPECT_EQ(stateOf(tests::newJob("x", "dock-shunter"), "motor.reading"), State::Fine);
    EXPECT_EQ(stateOf(tests::newJob("x", "dock-shunter", {"G", 22.5}), "motor.reading"),
              State::Ask);
    EXPECT_EQ(stateOf(jotted(tests::newJob("x", "dock-shunter", {"G", 22.5}), {"stall 2A 16V"}),
                      "motor.reading"),
              State::Fine);
}

}  // namespace
}  // namespace glimmet::core::decoder

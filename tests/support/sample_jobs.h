// Jobs that tests start from.
#pragma once

#include "core/analysis/job_analysis.h"
#include "core/work/jot.h"
#include "store/catalogue.h"
#include "store/job_json.h"

#include <fstream>

namespace glimmet::tests {

/// The shipped drawings of bodies.
inline const std::vector<core::BodyDrawing>& drawings() {
    static const auto all = store::loadedCatalogue({}).catalogue.bodies;
    return all;
}
/// One of them; a name that none has is a faulty test and throws.
inline const core::BodyDrawing& drawing(std::string_view id) {
    for (const core::BodyDrawing& each : drawings()) {
        if (each.id == id) return each;
    }
    throw std::out_of_range(std::string(id));
}
inline core::Job newJob(std::string name, std::string_view body, const core::Scale& scale = {}) {
    return core::newJob(std::move(name), drawing(body), scale);
}
/// A job of one unit with one motor: its body and its motor.
inline const core::Body& body(const core::Job& job) { return job.units.at(0).body; }
inline const core::Motor& motor(const core::Job& job) { return job.units.at(0).motors.at(0); }
inline core::Motor& motor(core::Job& job) { return job.units.at(0).motors.at(0); }

inline core::Catalogue madeCatalogue() {
    using namespace core;
    const auto decoder = [](const char* id, double continuous, double peak,
                            std::optional<Ohms> series) {
        Decoder made;
        made.id = id;
        made.name = std::string("decoder ") + id;
        made.continuous = Amperes{continuous};
        made.peak = Amperes{peak};
        made.functionTotal = Amperes{0.4};
        made.overall = Amperes{continuous * 1.2};
        made.largestTrack = Volts{22};
        made.length = Millimetres{20};
        made.width = Millimetres{12};
        made.height = Millimetres{5};
        made.price = 15 * continuous;
        made.plug = "hard-wired";
        made.outputs = {{"front", "white", OutputKind::LowSide, Amperes{0.2}, series, {}},
                        {"rear", "yellow", OutputKind::LowSide, Amperes{0.2}, series, {}},
                        {"1", "green", OutputKind::LowSide, Amperes{0.2}, series, {}}};
        return made;
    };
    Catalogue catalogue;
    catalogue.decoders = {decoder("small", 0.5, 0.8, Ohms{0}), decoder("middle", 1.0, 1.8, Ohms{0}),
                          decoder("large", 2.5, 4.0, Ohms{0}), decoder("board", 1.0, 1.8, {}),
                          decoder("four-wire-1.0", 1.0, 1.8, Ohms{0})};
    catalogue.lamps = {{"warm-white-3mm",
                        "warm white 3 mm",
                        LedFamily::White,
                        ForwardPoint{Volts{3.1}, Amperes{0.02}},
                        {},
                        {},
                        Amperes{0.025},
                        "warm"},
                       {"cool-white-3mm",
                        "cool white 3 mm",
                        LedFamily::White,
                        ForwardPoint{Volts{3.1}, Amperes{0.02}},
                        {},
                        {},
                        Amperes{0.025},
                        "cool"}};
    LampPart strip;
    strip.id = "strip-warm-white-12v";
    strip.name = "warm white strip, 12 V, cut every 50 mm";
    strip.tint = "warm";
    strip.forward = ForwardPoint{Volts{12}, Amperes{0.02}};
    strip.emission = 8.7;
    strip.series = Ohms{186};
    strip.rated = Volts{12};
    strip.section = Millimetres{50};
    LampPart blinker;
    blinker.id = "blink-red-3mm";
    blinker.name = "red blinker 3 mm";
    blinker.family = LedFamily::Red;
    blinker.forward = ForwardPoint{Volts{2.4}, Amperes{0.02}};
    blinker.limit = Amperes{0.025};
    blinker.blink = BlinkChip{1.5, false, Volts{1.8}};
    catalogue.lamps.push_back(strip);
    catalogue.lamps.push_back(blinker);
    const auto bank = [](const char* id, BankKind kind, double farads, double rated, double length,
                         double side) {
        BankPart made;
        made.id = id;
        made.name = std::string("bank ") + id;
        made.kind = kind;
        made.capacitance = Farads{farads};
        made.rated = Volts{rated};
        made.length = Millimetres{length};
        made.width = made.height = Millimetres{side};
        made.inSeries = kind == BankKind::Electrolytic ? 2 : 1;
        return made;
    };
    catalogue.banks = {bank("can-1000u-25", BankKind::Electrolytic, 1e-3, 25, 15, 8),
                       bank("electrolytic-2200u-25", BankKind::Electrolytic, 2.2e-3, 25, 25, 12.5),
                       bank("can-4700u-16", BankKind::Electrolytic, 4.7e-3, 16, 20, 10),
                       bank("chips-3300u-25", BankKind::Tantalum, 3.3e-3, 25, 20, 5),
                       bank("cells-100m-16", BankKind::Supercapacitor, 0.1, 16.2, 60, 20),
                       bank("module-22m-18", BankKind::Module, 22e-3, 18, 18, 6)};
    catalogue.banks.back().charge = Ohms{68};
    catalogue.banks.back().diode = Volts{0.3};
    catalogue.bodies = drawings();
    catalogue.faults = store::loadedCatalogue({}).catalogue.faults;
    return catalogue;
}
inline const core::Catalogue& smallCatalogue() {
    static const core::Catalogue catalogue = madeCatalogue();
    return catalogue;
}

/// Enters jot lines one after the other; a refused one is a faulty test and throws.
inline core::Job jotted(core::Job job, std::initializer_list<const char*> lines) {
    for (const char* line : lines) {
        auto heard = core::applyLine(line, job, smallCatalogue(), "2026-03-02");
        if (!heard) throw std::invalid_argument(line + (": " + core::plain(heard.error().what)));
        job = std::move(heard->after);
    }
    return job;
}

/// A job as it was kept under tests/samples.
inline core::Job keptJob(const std::string& name) {
    std::ifstream file(TESTS_FOLDER "/samples/" + name + ".json");
    return store::jobFromJson(std::string(std::istreambuf_iterator<char>(file), {})).value();
}

/// Jobs as they were kept in format 2: a shunter, a railcar of two units, a tank engine half known.
/// What that format had no words for was seen since: the shunter's brushes and its wheels.
inline const std::vector<core::Job>& keptJobs() {
    static const std::vector<core::Job> kept = [] {
        std::vector<core::Job> jobs = {keptJob("format2/ling"), keptJob("format2/tern"),
                                       keptJob("format2/kittiwake")};
        jobs[0].units[0].motors[0].isolated = true;
        for (core::Axle& axle : jobs[0].units[0].body.axles) axle.looked = true;
        return jobs;
    }();
    return kept;
}

/// `shunter()` without a word being understood: for tests that only want some job, and whose
/// program stays as it is when the bench language or a judge changes.
inline const core::Job& keptShunter() {
    static const core::Job kept = keptJob("shunter");
    return kept;
}

/// The shunter of the contract's example: stall 1.3 A at 12 V, slip 0.6 A, light 0.25 A.
inline core::Job shunter() {
    return jotted(newJob("Shunter", "dock-shunter", {"H0", 87}),
                  {"light 250mA 12V", "slip 0.6A 12V", "stall 1.3A 12V", "decoder middle"});
}

/// The shunter with something of every kind that a line can be about: a second unit, a bank, a
/// wish, a spot, a complaint, a failure on plain DC.
inline core::Job busy() {
    return jotted(shunter(),
                  {"unit saloon called trailer", "bank electrolytic-2200u-25", "only sound",
                   "bad buffers buffer bent", "complaint hums", "fails stops every turn",
                   "off rear screw", "points 1:6", "gap 12mm left",
                   "photo sum 5891b5b522d5df086d0ff0b110fbd9d21bb4fc7163af34d08286a2e846f6be03",
                   "lamp front white", "resistor front 1k", "lift nothing", "weight hood 6x6x4",
                   "remark grinding", "speaker cab floor 5x5x3", "smoothing 47uF 25V"});
}

/// What a job comes to with the small catalogue. The job must outlive it.
inline core::JobAnalysis factsOf(const core::Job& job, const core::WorkshopRules& house) {
    return core::analysed(job, house, smallCatalogue());
}
/// The same in the usual house.
inline core::JobAnalysis factsOf(const core::Job& job) {
    static const core::WorkshopRules house;
    return core::analysed(job, house, smallCatalogue());
}

}  // namespace glimmet::tests

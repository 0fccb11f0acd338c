// The record of one model on the bench: what it is, what was measured, what was chosen.
#pragma once

#include "core/record/board.h"
#include "core/record/dc_test.h"
#include "core/record/decoder.h"
#include "core/record/factory_lamp.h"
#include "core/record/fitted_item.h"
#include "core/record/function_map.h"
#include "core/record/hand_over.h"
#include "core/record/intake.h"
#include "core/record/lamps.h"
#include "core/record/layout.h"
#include "core/record/pair_reading.h"
#include "core/record/part.h"
#include "core/record/power.h"
#include "core/record/run_in.h"
#include "core/record/settings.h"
#include "core/record/stay_alive.h"
#include "core/record/steps.h"
#include "core/record/supply.h"
#include "core/record/unit.h"
#include "core/record/wire.h"
#include "core/record/workshop_rules.h"

#include <optional>
#include <string>
#include <vector>

namespace glimmet::core {

struct Scale {
    std::string name = "H0";
    double ratio = 87;
    bool operator==(const Scale&) const = default;
};
/// "Z" "N" "TT" "H0" "OO" "S" "0" "1" "G" with their usual ratios.
[[nodiscard]] std::optional<Scale> scaleNamed(std::string_view name);

/// Volts usual for a feed: on digital track 12 V up to N, 14.5 V up to H0, 16 V for 0, 18 V above.
[[nodiscard]] Volts usualVolts(Feed feed, const Scale& scale);

struct Note {
    std::string on;
    std::string words;
    bool operator==(const Note&) const = default;
};

struct TimeSpent {
    std::string on;
    std::string what;
    Seconds time{};
    bool operator==(const TimeSpent&) const = default;
};

struct FittedDecoder {
    Decoder part;
    std::optional<Fitted> placement;       ///< nothing: where the picture finds room
    std::optional<OuterMeasures> outer{};  ///< as it goes in; nothing: the part's own
    bool operator==(const FittedDecoder&) const = default;
};

struct Job {
    // Out of line: each file that copies a job would compile all that is in it again.
    Job();
    Job(const Job&);
    Job(Job&&) noexcept;
    Job& operator=(const Job&);
    Job& operator=(Job&&) noexcept;
    ~Job();
    bool operator==(const Job&) const;

    std::string name;
    std::string owner;  ///< empty: the workshop's own
    std::string wish;   ///< what the owner asked for or complained of
    Scale scale;
    Feed feed = Feed::TwoRailDcc;
    Supply supply;
    int lastId = 0;                   ///< the number that the last id got
    std::vector<Unit> units;          ///< at least one, from the front
    std::vector<Coupling> couplings;  ///< between each unit and the next
    Intake intake;
    Proof proof;
    FactoryBoard board;
    Wanted wanted;  ///< of the decoder
    Controller controller;
    std::optional<FittedDecoder> decoder;  ///< that drives it
    std::optional<FittedBank> bank;        ///< the stay-alive of that
    std::vector<FittedItem> items;         ///< what is fitted besides
    std::vector<FactoryLamp> factoryLamps;
    std::vector<Wire> wires;
    std::vector<FunctionKey> functions;  ///< empty: as the standard has it
    std::vector<EmptyPads> pads;         ///< of its boards, in the order of their finding
    Layout layout;                       ///< that it will run on
    std::vector<LampGroup> groups;
    std::vector<StepRecord> steps;   ///< of the wiring, each step once; the others are open
    std::vector<OwnStep> ownSteps;   ///< in the order in which they were thought of
    std::vector<PairReading> pairs;  ///< of the meter
    std::vector<PowerSeen> powered;  ///< each step once
    std::vector<Swap> swapped;
    Settings settings;  ///< of the decoder that drives it
    RunIn runIn;
    HandOver handOver;
    JobOverrides own;
    std::optional<WorkshopRules> judgedWith;  ///< of an exported job: the house where it came from
    std::vector<Note> notes;
    std::vector<TimeSpent> times;
};

/// A new job with one unit drawn so, in a scale, and nothing measured.
[[nodiscard]] Job newJob(std::string name, const BodyDrawing& drawing, const Scale& scale);

/// The next id of a letter: "L7".
[[nodiscard]] std::string newId(Job& job, char letter);

/// A unit of a drawing at the job's scale, with a motor for each place of one.
[[nodiscard]] Unit newUnit(Job& job, const BodyDrawing& drawing, std::string name);

/// The job with another body for a unit: lamps at a site of it move to where that site is now, the
/// others and spots keep their share of length and height. Precondition: unit < units.
[[nodiscard]] Job withBody(Job job, std::size_t unit, const Body& body);

/// A unit's body as a drawing of its own, in prototype measures: for other models like it.
/// Precondition: unit < units.
[[nodiscard]] BodyDrawing ownDrawing(const Job& job, std::size_t unit, std::string id,
                                     std::string title);

/// What lamps of it were read at the bench, each kind once: parts for other models too.
[[nodiscard]] std::vector<LampPart> partsRead(const Job& job);

/// A building stands alone and has no wheels.
[[nodiscard]] bool isStructure(const Job& job);
/// Where a unit's front end stands, from the front of the train.
[[nodiscard]] Millimetres startOf(const Job& job, std::size_t unit);
/// The whole train, over the bodies.
[[nodiscard]] Millimetres lengthOf(const Job& job);
/// Precondition: the id is of a unit; a record that was read has no others.
[[nodiscard]] std::size_t unitAt(const Job& job, std::string_view id);
/// "" for the only unit, else its name or, without one, its number: "2".
[[nodiscard]] std::string unitCalled(const Job& job, std::size_t unit);

struct MotorAt {
    std::size_t unit;
    const Motor* motor;
};
/// Every motor, from the front.
[[nodiscard]] std::vector<MotorAt> motorsOf(const Job& job);
[[nodiscard]] bool hasMotor(const Job& job);

[[nodiscard]] const LampGroup* groupNamed(const Job& job, std::string_view name);
[[nodiscard]] const DecoderOutput* outputNamed(const Job& job, std::string_view name);

/// A job to be kept elsewhere with the house that it is judged with, and one that was kept so taken
/// into a workshop: where its house judges otherwise the job keeps that as its own.
[[nodiscard]] Job withHouse(Job job, const WorkshopRules& house);
[[nodiscard]] Job adopted(Job job, const WorkshopRules& house);

/// The house with what this job has otherwise.
[[nodiscard]] WorkshopRules houseOf(const Job& job, const WorkshopRules& house);

}  // namespace glimmet::core

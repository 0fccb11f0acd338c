// One description of a record serves reading, writing and the schema: `fields(io, self)` names
// each field once, and what io is decides what becomes of it. The descriptions stand in one .cpp
// for each header of records; what is declared here is all that the others see of them.
//
//     template <class Io, class Self>
//     void bankFields(Io& io, Self& bank) {
//         io("part", bank.part);
//         io("charge", bank.charge, Maybe, from0To(1e4));   // "charge_ohm": the type knows the
//         unit
//     }
//     GLIMMET_FIELDS(core::FittedBank, bankFields)
#pragma once

#include "core/quantity/dimension.h"
#include "core/record/job.h"
#include "core/record/workshop.h"
#include "store/json_fields.h"

#include <cstddef>
#include <string>
#include <vector>

namespace glimmet::store {

enum class Presence {
    Required,
    Maybe,   ///< left out where it is what a new record has
    OrNull,  ///< of an optional: must be there; null says that there is none
};
using enum Presence;

/// What a field may hold.
struct Limits {
    Range range;                ///< of numbers
    std::size_t shortest = 0;   ///< of texts, in characters
    std::size_t longest = 400;  ///< of texts, in characters
    std::size_t fewest = 0;     ///< of lists
    std::size_t most = 10000;
    bool searched = true;  ///< texts: found by the search
};
[[nodiscard]] constexpr Limits numbers(const Range& range) {
    Limits made;
    made.range = range;
    return made;
}
[[nodiscard]] constexpr Limits within(double lowest, double highest) {
    return numbers(between(lowest, highest));
}
[[nodiscard]] constexpr Limits from0To(double highest) { return within(0, highest); }
/// Above 0.
[[nodiscard]] constexpr Limits upTo(double highest) { return numbers({0, highest, true, false}); }
[[nodiscard]] constexpr Limits characters(std::size_t longest, std::size_t shortest = 0) {
    Limits made;
    made.longest = longest;
    made.shortest = shortest;
    return made;
}
[[nodiscard]] constexpr Limits members(std::size_t fewest, std::size_t most) {
    Limits made;
    made.fewest = fewest;
    made.most = most;
    return made;
}
/// Of texts that nobody looks a job up by: dates, ids, names of hollows.
[[nodiscard]] constexpr Limits unsearched(Limits limits) {
    limits.searched = false;
    return limits;
}
inline constexpr Limits date = unsearched(characters(40));         ///< ISO 8601; may be empty
inline constexpr Limits identity = unsearched(characters(20, 1));  ///< "L7"

class Read;
class Write;
class Schema;
class SearchWords;

/// The name of a described type in a schema's $defs.
template <class T>
inline constexpr const char* schemaName = nullptr;

#define GLIMMET_DESCRIBED(Type, name)               \
    void fields(Read& io, Type& self);              \
    void fields(Write& io, const Type& self);       \
    void fields(Schema& io, const Type& self);      \
    void fields(SearchWords& io, const Type& self); \
    template <>                                     \
    inline constexpr const char* schemaName<Type> = name;

/// A line for every record that is kept.
GLIMMET_DESCRIBED(core::Measured<core::Volts>, "measuredVolts")
GLIMMET_DESCRIBED(core::Measured<core::Amperes>, "measuredAmperes")
GLIMMET_DESCRIBED(core::Measured<core::Ohms>, "measuredOhms")
GLIMMET_DESCRIBED(core::FoundCapacitance, "measuredFarads")
GLIMMET_DESCRIBED(core::Measured<core::Celsius>, "measuredCelsius")
GLIMMET_DESCRIBED(core::Pose, "pose")
GLIMMET_DESCRIBED(core::Fitted, "fitted")
GLIMMET_DESCRIBED(core::Cavity, "cavity")
GLIMMET_DESCRIBED(core::Axle, "axle")
GLIMMET_DESCRIBED(core::LampSite, "site")
GLIMMET_DESCRIBED(core::Body, "body")
GLIMMET_DESCRIBED(core::BodyDrawing, "bodyDrawing")
GLIMMET_DESCRIBED(core::BatteryPack, "battery_pack")
GLIMMET_DESCRIBED(core::DistrictModel, "district_model")
GLIMMET_DESCRIBED(core::Shelved, "shelved")
GLIMMET_DESCRIBED(core::PowerDistrict, "power_district")
GLIMMET_DESCRIBED(core::Smoothing, "smoothing")
GLIMMET_DESCRIBED(core::Supply, "supply")
GLIMMET_DESCRIBED(core::TakenReading, "reading")
GLIMMET_DESCRIBED(core::Motor, "motor")
GLIMMET_DESCRIBED(core::Collector, "collector")
GLIMMET_DESCRIBED(core::TerminalId, "terminal")
GLIMMET_DESCRIBED(core::Wire, "wire")
GLIMMET_DESCRIBED(core::FunctionKey, "functionKey")
GLIMMET_DESCRIBED(core::FactoryLamp, "factoryLamp")
GLIMMET_DESCRIBED(core::OuterMeasures, "outerMeasures")
GLIMMET_DESCRIBED(core::SpeakerPart, "speaker")
GLIMMET_DESCRIBED(core::WeightPart, "weight")
GLIMMET_DESCRIBED(core::BoardPart, "board")
GLIMMET_DESCRIBED(core::ConnectorPart, "connector")
GLIMMET_DESCRIBED(core::SwitchPart, "switchPart")
GLIMMET_DESCRIBED(core::HolderPart, "holder")
GLIMMET_DESCRIBED(core::ItemPart, "itemPart")
GLIMMET_DESCRIBED(core::FittedItem, "fittedItem")
GLIMMET_DESCRIBED(core::Fixture, "fixture")
GLIMMET_DESCRIBED(core::DeadSpot, "deadSpot")
GLIMMET_DESCRIBED(core::Coast, "coast")
GLIMMET_DESCRIBED(core::Dirt, "dirt")
GLIMMET_DESCRIBED(core::Layout, "layout")
GLIMMET_DESCRIBED(core::Unit, "unit")
GLIMMET_DESCRIBED(core::Coupling, "coupling")
GLIMMET_DESCRIBED(core::DecoderOutput, "output")
GLIMMET_DESCRIBED(core::Decoder, "decoder")
GLIMMET_DESCRIBED(core::FittedDecoder, "fittedDecoder")
GLIMMET_DESCRIBED(core::ForwardPoint, "forwardPoint")
GLIMMET_DESCRIBED(core::FilamentRating, "bulb")
GLIMMET_DESCRIBED(core::BlinkChip, "blinkChip")
GLIMMET_DESCRIBED(core::LampPart, "lampPart")
GLIMMET_DESCRIBED(core::BankPart, "bankPart")
GLIMMET_DESCRIBED(core::RuledOut, "ruledOut")
GLIMMET_DESCRIBED(core::DeadBank, "deadBank")
GLIMMET_DESCRIBED(core::BankClamp, "bankClamp")
GLIMMET_DESCRIBED(core::BankVolts, "bankVolts")
GLIMMET_DESCRIBED(core::FittedBank, "fittedBank")
GLIMMET_DESCRIBED(core::EmptyPads, "emptyPads")
GLIMMET_DESCRIBED(core::Lamp, "lamp")
GLIMMET_DESCRIBED(core::LampRow, "lampRow")
GLIMMET_DESCRIBED(core::Tester, "tester")
GLIMMET_DESCRIBED(core::Tested, "tested")
GLIMMET_DESCRIBED(core::Lead, "lead")
GLIMMET_DESCRIBED(core::Installed, "installed")
GLIMMET_DESCRIBED(core::LightGuide, "lightGuide")
GLIMMET_DESCRIBED(core::Obstacle, "obstacle")
GLIMMET_DESCRIBED(core::LightPath, "lightPath")
GLIMMET_DESCRIBED(core::Bore, "bore")
GLIMMET_DESCRIBED(core::WallGap, "wallGap")
GLIMMET_DESCRIBED(core::Wall, "wall")
GLIMMET_DESCRIBED(core::LampSwitch, "lampSwitch")
GLIMMET_DESCRIBED(core::OwnResistors, "ownResistors")
GLIMMET_DESCRIBED(core::SharedResistor, "sharedResistor")
GLIMMET_DESCRIBED(core::ThroughDriver, "driver")
GLIMMET_DESCRIBED(core::Connection, "connection")
GLIMMET_DESCRIBED(core::LampGroup, "lampGroup")
GLIMMET_DESCRIBED(core::Scale, "scale")
GLIMMET_DESCRIBED(core::Note, "note")
GLIMMET_DESCRIBED(core::TimeSpent, "timeSpent")
GLIMMET_DESCRIBED(core::WorkshopRules, "house")
GLIMMET_DESCRIBED(core::WorkshopRecord, "workshop")
GLIMMET_DESCRIBED(core::LookedAt, "lookedAt")
GLIMMET_DESCRIBED(core::Spot, "spot")
GLIMMET_DESCRIBED(core::Complaint, "complaint")
GLIMMET_DESCRIBED(core::LoosePart, "loosePart")
GLIMMET_DESCRIBED(core::TakenOff, "takenOff")
GLIMMET_DESCRIBED(core::Photo, "photo")
GLIMMET_DESCRIBED(core::Oiled, "oiled")
GLIMMET_DESCRIBED(core::SuspectedFault, "suspectedFault")
GLIMMET_DESCRIBED(core::ConfigurationValue, "configurationValue")
GLIMMET_DESCRIBED(core::SavedSettings, "savedSettings")
GLIMMET_DESCRIBED(core::Intake, "intake")
GLIMMET_DESCRIBED(core::KnownFault, "knownFault")
GLIMMET_DESCRIBED(core::ProofReading, "proofReading")
GLIMMET_DESCRIBED(core::Proof, "proof")
GLIMMET_DESCRIBED(core::FactoryBoard, "factory_board")
GLIMMET_DESCRIBED(core::Controller, "controller")
GLIMMET_DESCRIBED(core::RefusedWish, "refusedWish")
GLIMMET_DESCRIBED(core::Wanted, "wanted")
GLIMMET_DESCRIBED(core::StepRecord, "stepRecord")
GLIMMET_DESCRIBED(core::OwnStep, "ownStep")
GLIMMET_DESCRIBED(core::PairReading, "pairReading")
GLIMMET_DESCRIBED(core::PowerSeen, "powerSeen")
GLIMMET_DESCRIBED(core::Swap, "swap")
GLIMMET_DESCRIBED(core::StopWithin, "stopWithin")
GLIMMET_DESCRIBED(core::Settings, "settings")
GLIMMET_DESCRIBED(core::RunInReading, "runInReading")
GLIMMET_DESCRIBED(core::Running, "running")
GLIMMET_DESCRIBED(core::RunIn, "runIn")
GLIMMET_DESCRIBED(core::Waived, "waived")
GLIMMET_DESCRIBED(core::HandOver, "handOver")
GLIMMET_DESCRIBED(core::Job, "job")
GLIMMET_DESCRIBED(core::Catalogue, "catalogue")

template <class T>
concept Described = schemaName<T>
!= nullptr;

// --- what the three have in common -----------------------------------------------------------

template <class T>
inline constexpr bool isQuantity = requires {
    core::DimensionOf<T>::value;
};
template <class T>
inline constexpr bool isOptional = false;
template <class T>
inline constexpr bool isOptional<std::optional<T>> = true;
template <class T>
inline constexpr bool isList = false;
template <class T>
inline constexpr bool isList<std::vector<T>> = true;
using Outline = std::vector<core::Point>;

/// "charge" and ohms make "charge_ohm"; points are in millimetres.
template <class T>
[[nodiscard]] std::string keyed(const char* name) {
    if constexpr (isOptional<T>) {
        return keyed<typename T::value_type>(name);
    } else if constexpr (isQuantity<T>) {
        return name + std::string(core::jsonSuffix(core::dimensionOf<T>));
    } else if constexpr (std::is_same_v<T, core::Point> || std::is_same_v<T, Outline> ||
                         std::is_same_v<T, std::vector<core::Point>> ||
                         std::is_same_v<T, std::vector<Outline>>) {
        return name + std::string("_mm");
    } else {
        return name;
    }
}

inline constexpr double farthest = 1e6;           ///< of points and measures, mm
inline constexpr std::size_t mostCorners = 2000;  ///< of an outline

}  // namespace glimmet::store

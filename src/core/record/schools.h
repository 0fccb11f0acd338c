// Choices that experienced fitters make differently: a workshop makes each once, a job may make it
// otherwise.
#pragma once

#include "core/quantity/quantities.h"
#include "core/words.h"

namespace glimmet::core {

/// How a brush is kept off the frame.
enum class Isolation { Tape, Screw, CutStrip };
constexpr auto wordsOf(Isolation) {
    return std::to_array<Word<Isolation>>({{Isolation::Tape, "tape"},
                                           {Isolation::Screw, "plastic-screw"},
                                           {Isolation::CutStrip, "cut-strip"}});
}
/// How a decoder is joined to a model that has no socket.
enum class DecoderJoint { Plug, HardWired };
constexpr auto wordsOf(DecoderJoint) {
    return std::to_array<Word<DecoderJoint>>(
        {{DecoderJoint::Plug, "plug"}, {DecoderJoint::HardWired, "hard-wired"}});
}
/// How two wires are joined before they are soldered and sleeved.
enum class WireJoint { Twisted, Lapped, Crimped };
constexpr auto wordsOf(WireJoint) {
    return std::to_array<Word<WireJoint>>({{WireJoint::Twisted, "twisted"},
                                           {WireJoint::Lapped, "lapped"},
                                           {WireJoint::Crimped, "crimped"}});
}
/// Where along its wire a lamp's resistor sits.
enum class ResistorPlace { AtLamp, MidWire, OnBoard, AtDecoder };
constexpr auto wordsOf(ResistorPlace) {
    return std::to_array<Word<ResistorPlace>>({{ResistorPlace::AtLamp, "lamp"},
                                               {ResistorPlace::MidWire, "mid-wire"},
                                               {ResistorPlace::OnBoard, "board"},
                                               {ResistorPlace::AtDecoder, "decoder"}});
}
/// What sets the speeds between the lowest and the highest step.
enum class SpeedCurve { ThreeValues, Table };
constexpr auto wordsOf(SpeedCurve) {
    return std::to_array<Word<SpeedCurve>>(
        {{SpeedCurve::ThreeValues, "three-values"}, {SpeedCurve::Table, "table"}});
}
/// Where a finished model gets its first power.
enum class FirstPower { ProgrammingTrack, PlainDc };
constexpr auto wordsOf(FirstPower) {
    return std::to_array<Word<FirstPower>>(
        {{FirstPower::ProgrammingTrack, "programming-track"}, {FirstPower::PlainDc, "plain-dc"}});
}
/// What is changed in a model that runs backwards.
enum class DirectionBy { Leads, Bit };
constexpr auto wordsOf(DirectionBy) {
    return std::to_array<Word<DirectionBy>>(
        {{DirectionBy::Leads, "leads"}, {DirectionBy::Bit, "bit"}});
}
/// Where a model's address comes from.
enum class AddressFrom { RunningNumber, FleetNumber, AsItIs };
constexpr auto wordsOf(AddressFrom) {
    return std::to_array<Word<AddressFrom>>({{AddressFrom::RunningNumber, "running-number"},
                                             {AddressFrom::FleetNumber, "fleet-number"},
                                             {AddressFrom::AsItIs, "as-it-is"}});
}

inline constexpr Seconds usualRunIn{1800};    ///< each way ; the usual half hour
inline constexpr Volts usualLightingBus{12};  ///< of a layout's lamps

}  // namespace glimmet::core

#include "core/work/measure/judge_isolation.h"

#include "core/analysis/motor_evidence.h"
#include "core/finding/answer.h"

namespace glimmet::core::measure {
namespace {

Text sentenceOf(Isolation isolation, FrameKind frame) {
    switch (isolation) {
        case Isolation::Touches:
            return text(
                "A brush touches the frame or a rail: with a decoder that is a short. Free it "
                "before any decoder is connected.");
        case Isolation::Frame:
            return frame == FrameKind::SplitFrame
                       ? text(
                             "Each half of the frame is a rail. Free both motor brushes from it "
                             "before a decoder is connected, or the decoder burns at first power.")
                       : text(
                             "The motor returns through the frame. Free both brushes from it "
                             "before a decoder is connected, or the decoder burns at first power.");
        default:
            return text(
                "Is the motor free of the frame? Old and open motors often return through it, and "
                "that burns a decoder. Meter from each brush to the frame.");
    }
}

}  // namespace

Isolation isolationOf(const Job& job, const Unit& unit, const Motor& motor) {
    if (motor.isolated) return *motor.isolated ? Isolation::Open : Isolation::Touches;
    if (unit.frame) return *unit.frame == FrameKind::Insulated ? Isolation::Open : Isolation::Frame;
    const bool old = motor.kind == MotorKind::OpenFrame || job.intake.age == Age::Old;
    return old ? Isolation::Unlooked : Isolation::Usual;
}

void judgeIsolation(const Job& job, Judging& judging) {
    // Plain DC without a decoder and a battery without rails have nothing to burn. What came with a
    // decoder and runs was isolated by whoever fitted it.
    if (!isDigital(job.feed) && !(job.decoder && job.feed == Feed::PlainDc)) return;
    if (job.intake.arrival == Arrival::WithDecoder) return;
    for (const MotorAt& at : motorsOf(job)) {
        const Unit& unit = job.units[at.unit];
        const Isolation isolation = isolationOf(job, unit, *at.motor);
        if (isolation == Isolation::Open || isolation == Isolation::Usual) continue;
        const std::string called = motorCalled(job, *at.motor);
        const std::string of = called.empty() ? "" : " of " + called;
        const State state = isolation == Isolation::Touches ? State::Over : State::Ask;
        judging.say(
            "motor.isolation" + (called.empty() ? "" : ":" + at.motor->id),
            called.empty() ? Subject{} : Subject{at.motor->id, called}, state,
            Gravity::PartDestroyed, [&](Finding& finding) {
                Text sentence = sentenceOf(isolation, unit.frame.value_or(FrameKind::FrameReturn));
                finding.sentence = called.empty() ? std::move(sentence)
                                                  : text("%1: %2", called, std::move(sentence));
                finding.action = isolation == Isolation::Unlooked
                                     ? text("meter from each brush to the frame")
                                     : text("free both brushes from the frame");
                finding.caution = text(
                    "No track power until both brushes read open to the frame and to both "
                    "rails. A decoder dies in milliseconds.");
                finding.options.push_back(answer(text("Both brushes read open to the frame"),
                                                 text("a decoder can be connected"), State::Fine,
                                                 "motor isolated" + of));
                if (isolation != Isolation::Unlooked) return;
                finding.options.push_back(answer(text("A brush touches the frame"),
                                                 text("free it first"), State::Over,
                                                 "motor not isolated" + of));
            });
    }
}

}  // namespace glimmet::core::measure

#include "core/work/decoder/rating_words.h"

#include "core/quantity/format.h"

namespace glimmet::core::decoder {

Text demandWords(const RatedDemand& demand) {
    using From = RatedDemand::From;
    const std::string amps =
        formatted(demand.from == From::Reading ? demand.typical : demand.worst, 3);
    // Where the top of the supply's range decides, it is said.
    const bool reaches = demand.from == From::Reading && demand.worst > demand.typical * 1.001 &&
                         demand.state != State::Fine;
    const Text all =
        reaches ? text("%1 (up to %2 where the track is highest)", amps, formatted(demand.worst, 3))
                : verbatim(amps);
    switch (demand.from) {
        case From::Missing:
            return text("not known");
        case From::AtLeast:
            return text("running it draws more than %1", amps);
        case From::Some:
            return demand.what == MotorDemand::What::Stall
                       ? text("stalled, the motors that were read draw %1 alone", amps)
                       : text("slipping, the motors that were read draw %1 alone", amps);
        case From::Bound:
            return demand.what == MotorDemand::What::Slip
                       ? text("slipping it never draws more than stalled, %1", amps)
                       : text("running it never draws more than slipping, %1", amps);
        case From::Kind:
            if (demand.state == State::Over) {
                return demand.what == MotorDemand::What::Stall
                           ? text("motors of its kind stall at %1 at least", amps)
                       : demand.what == MotorDemand::What::Slip
                           ? text("motors of its kind slip at %1 at least", amps)
                           : text("motors of its kind run at %1 at least", amps);
            }
            switch (demand.what) {
                case MotorDemand::What::Stall:
                    return text("motors of its kind stall at %1 at the most", amps);
                case MotorDemand::What::Slip:
                    return text("motors of its kind slip at %1 at the most", amps);
                case MotorDemand::What::Running:
                    break;
            }
            return text("motors of its kind run at %1 at the most", amps);
        case From::Reading:
            break;
    }
    switch (demand.what) {
        case MotorDemand::What::Stall:
            return text("stalled it would draw %1", all);
        case MotorDemand::What::Slip:
            return text("slipping it draws %1", all);
        case MotorDemand::What::Running:
            break;
    }
    return text("running it asks for %1", all);
}

Text limitWords(const RatedDemand& demand) {
    const std::string amps = formatted(demand.limit, 3);
    return demand.againstPeak ? text("%1 peak", amps) : text("%1 continuous", amps);
}

std::array<RuleSays, 3> byEachRule(const JobAnalysis& facts, const MotorEvidence& drive,
                                   const Decoder& decoder) {
    std::array<RuleSays, 3> all;
    std::size_t at = 0;
    for (const RatingRule rule : {RatingRule::Strict, RatingRule::Slip, RatingRule::Running}) {
        JobAnalysis other{facts.job, facts.house, facts.catalogue, {}, {}};
        other.house.rule = rule;
        const Rating rating = rated(other, drive, {decoder.continuous, decoder.peak});
        const RatedDemand& lead = rating.deciding();
        all[at++] = {rule, rule == facts.house.rule, rating.state,
                     lead.from == RatedDemand::From::Missing
                         ? text("a reading is missing")
                         : text("%1 of %2", demandWords(lead), limitWords(lead))};
    }
    return all;
}

}  // namespace glimmet::core::decoder

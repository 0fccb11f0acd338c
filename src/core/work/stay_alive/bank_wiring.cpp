#include "core/work/stay_alive/bank_wiring.h"

#include "core/analysis/stay_alive/bank_state.h"
#include "core/analysis/supply.h"
#include "core/quantity/format.h"
#include "core/work/stay_alive/judge_pads.h"

namespace glimmet::core::stay_alive {
namespace {

Text markOf(BankKind kind) {
    switch (kind) {
        case BankKind::Electrolytic:
            return text("the stripe and the shorter leg are minus");
        case BankKind::Tantalum:
            return text("the bar is plus");
        case BankKind::Supercapacitor:
            return text("the arrows and the shorter leg are minus");
        case BankKind::Module:
            break;
    }
    return text("plus and minus are printed on it");
}

}  // namespace

std::optional<BankWiring> bankWiring(const Job& job, const WorkshopRules& house) {
    if (!job.bank) return {};
    const FittedBank& bank = *job.bank;
    const Path path = pathOf(bank);
    const StayAliveTerminals there =
        job.decoder ? job.decoder->part.stayAlive : StayAliveTerminals::Unknown;
    BankWiring made;
    made.charge = path.charge;
    made.diode = path.diode;
    made.inModule = bank.part.kind == BankKind::Module;
    made.clamp = bank.clamp;
    made.cells = bank.part.inSeries;
    made.balanced = bank.part.balanced;
    made.name = verbatim(bank.part.name);
    made.mark = markOf(bank.part.kind);
    made.markIsPlus = bank.part.kind == BankKind::Tantalum;
    made.thirdWire = made.inModule && there == StayAliveTerminals::Managed;
    const bool pads = there == StayAliveTerminals::Pads || there == StayAliveTerminals::TwoWire ||
                      there == StayAliveTerminals::Managed;
    made.plusTo = pads ? text("the decoder's plus for a bank") : text("common, blue");
    made.minusTo = pads                                ? text("the decoder's minus for a bank")
                   : there == StayAliveTerminals::None ? text("minus of the decoder's rectifier")
                                                       : text("decoder ground, black");
    // Pads that the meter found come before what is usual.
    if (const EmptyPads* found = padsForBank(job, busVolts(job, house)); found && !made.inModule) {
        const bool marked = *found->direct > Volts{0};
        made.plusTo = marked ? text("the marked pad of %1", found->name)
                             : text("the other pad of %1", found->name);
        made.minusTo = marked ? text("the other pad of %1", found->name)
                              : text("the marked pad of %1", found->name);
    }
    made.steps.push_back(text("Power off, bank empty: a resistor of 1 kΩ across it for a while."));
    if (!made.inModule && path.charge > Ohms{0}) {
        made.steps.push_back(
            path.diode > Volts{0}
                ? text("%1 and the diode side by side into the plus; the diode's band towards the "
                       "decoder.",
                       formatted(path.charge))
                : text("%1 into the plus.", formatted(path.charge)));
    }
    if (made.clamp) {
        made.steps.push_back(
            text("The Zener of %1 straight across the bank, behind the resistor: its "
                 "band at plus.",
                 formatted(made.clamp->volts)));
    }
    if (made.cells > 1 && made.balanced) {
        made.steps.push_back(
            text("A resistor across each of the %1 cells.", std::to_string(made.cells)));
    }
    made.steps.push_back(
        text("Plus to %1, minus to %2: %3.", made.plusTo, made.minusTo, made.mark));
    if (made.thirdWire) made.steps.push_back(text("Its third wire to the decoder's control."));
    made.steps.push_back(text(
        "Never to a rail or the frame: there the track's volts turn round. Meter plus to minus "
        "before it gets power: they are not joined."));
    return made;
}

}  // namespace glimmet::core::stay_alive

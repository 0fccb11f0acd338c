#include "core/analysis/job_summary.h"

#include "core/analysis/job_analysis.h"
#include "core/analysis/motor_evidence.h"
#include "core/analysis/rating.h"
#include "core/analysis/supply.h"
#include "core/motor/motor.h"

#include <algorithm>

namespace glimmet::core {

JobSummary summaryOf(int id, const Job& job, const WorkshopRules& house,
                     const Catalogue& catalogue) {
    JobSummary made;
    made.job = id;
    DistrictVehicle& load = made.load;
    load.name = job.name;
    const MotorEvidence drive = driveEvidence(job);
    const auto light = largestReading(drive.readings, MotorCondition::Light);
    const auto hauling = largestReading(drive.readings, MotorCondition::Hauling);
    const auto slip = largestReading(drive.readings, MotorCondition::Slipping);
    const auto usual = usualCurrents(job, drive);
    const bool motor = !motorsOf(job).empty();
    made.read = !motor || ((light || hauling) && slip);
    load.running =
        std::max({light.value_or(Amperes{0}), hauling.value_or(Amperes{0}), drive.atLeast});
    // At a crawl it takes no more than running: there the usual of its kind is the worse case.
    if (!light && !hauling && usual) load.running = std::max(load.running, usual->running);
    load.slipping =
        std::max(slip.value_or(usual && motor ? usual->slip : Amperes{0}), load.running);
    const JobAnalysis facts = analysed(job, house, catalogue);
    for (const auto& group : facts.groups) {
        if (group) load.lamps += group->total;
    }
    if (job.decoder && job.decoder->part.sound) load.sound = soundUsual;
    if (job.bank) {
        const Ohms charge = job.bank->charge.value_or(job.bank->part.charge);
        const MotorSupply supply = motorSupply(job, house);
        const Volts bus = std::max(supply.track - supply.rectifier, Volts{0});
        // Where nothing limits it, what a booster meets is near a short: leads and bridge, some 1
        // Ω.
        load.charging = bus / std::max(charge, Ohms{1});
    }
    return made;
}

}  // namespace glimmet::core

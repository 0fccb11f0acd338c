#include "core/work/workshop_stages.h"

#include "core/house/district/district.h"
#include "core/house/rules/rules.h"

namespace glimmet::core {
namespace {

constinit const WorkshopStage stages[] = {rules::stage, district::stage};

}  // namespace

std::span<const WorkshopStage> workshopStages() { return stages; }

std::vector<Finding> findings(const WorkshopFacts& facts) {
    std::vector<Finding> all;
    for (const WorkshopStage& stage : stages) {
        Judging judging(all, stage.name);
        if (stage.applies(facts.workshop)) stage.judge(facts, judging);
    }
    return all;
}

}  // namespace glimmet::core

#include "core/record/workshop_rules.h"

namespace glimmet::core {
namespace {

/// Calls visit(rule of the house, the same of a job) for each that a job may have otherwise.
template <class Visit>
void forEachRule(Visit visit) {
    visit(&WorkshopRules::rule, &JobOverrides::rule);
    visit(&WorkshopRules::closeMargin, &JobOverrides::closeMargin);
    visit(&WorkshopRules::rectifier, &JobOverrides::rectifier);
    visit(&WorkshopRules::bridge, &JobOverrides::bridge);
    visit(&WorkshopRules::outputSwitch, &JobOverrides::outputSwitch);
    visit(&WorkshopRules::supplySpread, &JobOverrides::supplySpread);
    visit(&WorkshopRules::drawers, &JobOverrides::drawers);
    visit(&WorkshopRules::meterTolerance, &JobOverrides::meterTolerance);
    visit(&WorkshopRules::mains, &JobOverrides::mains);
    visit(&WorkshopRules::isolation, &JobOverrides::isolation);
    visit(&WorkshopRules::decoderJoint, &JobOverrides::decoderJoint);
    visit(&WorkshopRules::wireJoint, &JobOverrides::wireJoint);
    visit(&WorkshopRules::resistorPlace, &JobOverrides::resistorPlace);
    visit(&WorkshopRules::speedCurve, &JobOverrides::speedCurve);
    visit(&WorkshopRules::runIn, &JobOverrides::runIn);
    visit(&WorkshopRules::firstPower, &JobOverrides::firstPower);
    visit(&WorkshopRules::directionBy, &JobOverrides::directionBy);
    visit(&WorkshopRules::lightingBus, &JobOverrides::lightingBus);
    visit(&WorkshopRules::address, &JobOverrides::address);
}

}  // namespace

WorkshopRules withOwn(WorkshopRules house, const JobOverrides& own) {
    forEachRule([&](auto rule, auto other) { house.*rule = (own.*other).value_or(house.*rule); });
    return house;
}

JobOverrides differences(const WorkshopRules& house, const WorkshopRules& other) {
    JobOverrides own;
    forEachRule([&](auto rule, auto differs) {
        WorkshopRules same = house;
        same.*rule = other.*rule;
        if (!(same == house)) own.*differs = other.*rule;
    });
    return own;
}

}  // namespace glimmet::core

#include "core/record/house.h"

namespace glimmet::core {
namespace {

/// Calls visit(rule of the house, the same of a job) for each that a job may have otherwise.
template <class Visit>
void forEachRule(Visit visit) {
    visit(&House::rule, &OwnRules::rule);
    visit(&House::closeMargin, &OwnRules::closeMargin);
    visit(&House::rectifier, &OwnRules::rectifier);
    visit(&House::bridge, &OwnRules::bridge);
    visit(&House::outputSwitch, &OwnRules::outputSwitch);
    visit(&House::supplySpread, &OwnRules::supplySpread);
    visit(&House::drawers, &OwnRules::drawers);
    visit(&House::meterTolerance, &OwnRules::meterTolerance);
    visit(&House::mains, &OwnRules::mains);
}

}  // namespace

House withOwn(House house, const OwnRules& own) {
    forEachRule([&](auto rule, auto other) { house.*rule = (own.*other).value_or(house.*rule); });
    return house;
}

OwnRules differences(const House& house, const House& other) {
    OwnRules own;
    forEachRule([&](auto rule, auto differs) {
        House same = house;
        same.*rule = other.*rule;
        if (!(same == house)) own.*differs = other.*rule;
    });
    return own;
}

}  // namespace glimmet::core

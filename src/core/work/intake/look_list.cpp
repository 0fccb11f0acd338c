#include "core/work/intake/look_list.h"

#include "core/text.h"

#include <algorithm>

namespace glimmet::core::intake {
namespace {

enum class Of { Any, New, Old };
enum class Needs { Nothing, Wheels, Motor, Cells };

struct Listed {
    LookItem item;
    Of of;
    Needs needs;
};

constexpr Listed list[] = {
    {{"glue", "Paint and glue marks", "drops of glue, runs of paint, fingerprints in varnish",
      false},
     Of::New,
     Needs::Nothing},
    {{"missing", "Missing and loose parts", "steps, pipes, handrails; look in the box too", false},
     Of::Any,
     Needs::Nothing},
    {{"buffers", "Buffers and couplers", "bent, loose, the wrong height", false},
     Of::Any,
     Needs::Wheels},
    {{"shell", "Shell and rails", "cracks at clips and screws, bent handrails", false},
     Of::Any,
     Needs::Nothing},
    {{"glazing", "Windows and lamps", "fogged, loose, melted round a bulb", false},
     Of::Any,
     Needs::Nothing},
    {{"paint", "Old paint", "flakes; it may hold lead: no dry sanding", false},
     Of::Old,
     Needs::Nothing},
    {{"wheels", "Wheels and tyres", "black treads, hard or missing rubber, gauge", false},
     Of::Any,
     Needs::Wheels},
    {{"pickups", "Collectors", "each one touches its wheel through the whole side play", false},
     Of::Any,
     Needs::Wheels},
    {{"frame", "Frame", "swelling, hair cracks, grey bloom; it does not sit flat", true},
     Of::Old,
     Needs::Wheels},
    {{"gears", "Gears and shafts", "a tick once a turn; hair lines at a tooth root by the axle",
      true},
     Of::Old,
     Needs::Motor},
    {{"grease", "Grease and oil", "brown and waxy, or oil where none belongs", false},
     Of::Old,
     Needs::Motor},
    {{"motor", "Motor and brushes", "worn brushes, soot, a loose mount", false},
     Of::Old,
     Needs::Motor},
    {{"wiring", "Wiring", "insulation that crumbles, caps pushed on, cold joints", false},
     Of::Old,
     Needs::Nothing},
    {{"earlier", "Earlier work", "glue, filed places, wires that lead nowhere", false},
     Of::Old,
     Needs::Nothing},
    {{"board", "Board and socket", "a socket and its contacts, a board and what it feeds", false},
     Of::Any,
     Needs::Motor},
    {{"cells", "Cells", "swollen, leaking, which charger belongs to them", true},
     Of::Any,
     Needs::Cells},
};

bool isAsked(const Job& job, const Listed& listed) {
    const std::optional<Age> age = job.intake.age;
    if (listed.of == Of::New && age == Age::Old) return false;
    if (listed.of == Of::Old && age == Age::New) return false;
    switch (listed.needs) {
        case Needs::Nothing:
            return true;
        case Needs::Wheels:
            return !isStructure(job);
        case Needs::Motor:
            return !motorsOf(job).empty();
        case Needs::Cells:
            return job.feed == Feed::BatteryRadio;
    }
    return true;
}

bool says(std::string_view words, std::string_view word) {
    return lowered(words).find(word) != std::string::npos;
}

}  // namespace

std::vector<LookItem> lookList(const Job& job) {
    std::vector<LookItem> all;
    for (const Listed& listed : list) {
        if (isAsked(job, listed)) all.push_back(listed.item);
    }
    return all;
}

const LookItem* lookItem(std::string_view id) {
    for (const Listed& listed : list) {
        if (listed.item.id == id) return &listed.item;
    }
    return nullptr;
}

const LookedAt* lookedAt(const Job& job, std::string_view item) {
    for (const LookedAt& looked : job.intake.looked) {
        if (looked.item == item) return &looked;
    }
    return nullptr;
}

std::optional<LookItem> nextToLook(const Job& job) {
    for (const LookItem& item : lookList(job)) {
        if (!lookedAt(job, item.id)) return item;
    }
    return {};
}

Place placeOf(const Job& job, std::string_view item, std::string_view words, std::size_t unit) {
    const Body& body = job.units[unit].body;
    Point at{body.length * 0.5, body.height * 0.55};
    const Axle* axle = body.axles.empty() ? nullptr : &body.axles.front();
    if (item == "buffers") at = {Millimetres{0}, body.height * 0.22};
    if (item == "glazing" && !body.openings.empty()) at = body.openings.front().front();
    if (item == "frame" || item == "grease") at = {body.length * 0.45, body.height * 0.18};
    if (axle && (item == "wheels" || item == "pickups" || item == "gears")) {
        for (const Axle& each : body.axles) {
            if (item == "gears" && each.driven) axle = &each;
        }
        at = {axle->x, axle->diameter * (item == "wheels" ? 0.5 : 0.9)};
    }
    if (item == "motor" && !body.motors.empty()) at = body.motors.front();
    if ((item == "board" || item == "wiring" || item == "cells") && !body.cavities.empty()) {
        const Cavity& cavity = body.cavities.front();
        at = {cavity.corner.x + cavity.length * 0.5, cavity.corner.z + cavity.height * 0.5};
    }
    // "rear left": the side cannot be shown from the side, the end can.
    if (says(words, "front")) at.x = body.length * (item == "buffers" ? 0.0 : 0.08);
    if (says(words, "rear") || says(words, "back")) {
        at.x = body.length * (item == "buffers" ? 1.0 : 0.92);
    }
    if (says(words, "roof")) at.z = body.height * 0.97;
    return {unit, at};
}

}  // namespace glimmet::core::intake

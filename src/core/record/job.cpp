#include "core/record/job.h"

#include <array>
#include <utility>

namespace glimmet::core {

std::optional<Scale> scaleNamed(std::string_view wanted) {
    static const std::array<Scale, 7> scales{
        {{"Z", 220}, {"N", 160}, {"TT", 120}, {"H0", 87}, {"0", 45}, {"1", 32}, {"G", 22.5}}};
    for (const Scale& scale : scales) {
        if (scale.name == wanted) return scale;
    }
    return {};
}

std::string_view name(SupplyKind kind) {
    switch (kind) {
        case SupplyKind::Dcc:
            return "dcc";
        case SupplyKind::Dc:
            return "dc";
        case SupplyKind::Battery:
            break;
    }
    return "battery";
}

std::optional<SupplyKind> supplyKindNamed(std::string_view wanted) {
    for (const SupplyKind kind : {SupplyKind::Dcc, SupplyKind::Dc, SupplyKind::Battery}) {
        if (name(kind) == wanted) return kind;
    }
    return {};
}

Volts usualVolts(const Supply& supply, const Scale& scale) {
    if (supply.kind == SupplyKind::Dc) return Volts{12};
    if (supply.kind == SupplyKind::Battery) return Volts{9};
    if (scale.ratio >= 150) return Volts{12};
    if (scale.ratio >= 60) return Volts{14.5};
    return scale.ratio >= 40 ? Volts{16} : Volts{18};
}

std::string_view name(FrameKind kind) {
    switch (kind) {
        case FrameKind::Insulated:
            return "insulated";
        case FrameKind::FrameReturn:
            return "frame-return";
        case FrameKind::SplitFrame:
            break;
    }
    return "split-frame";
}

std::optional<FrameKind> frameKindNamed(std::string_view wanted) {
    for (const FrameKind kind :
         {FrameKind::Insulated, FrameKind::FrameReturn, FrameKind::SplitFrame}) {
        if (name(kind) == wanted) return kind;
    }
    return {};
}

std::string_view name(MotorKind kind) {
    switch (kind) {
        case MotorKind::Can:
            return "can";
        case MotorKind::Coreless:
            return "coreless";
        case MotorKind::OpenFrame:
            break;
    }
    return "open-frame";
}

std::optional<MotorKind> motorKindNamed(std::string_view wanted) {
    for (const MotorKind kind : {MotorKind::Can, MotorKind::Coreless, MotorKind::OpenFrame}) {
        if (name(kind) == wanted) return kind;
    }
    return {};
}

bool LampGroup::operator==(const LampGroup& other) const {
    return name == other.name && output == other.output && shared == other.shared &&
           rows == other.rows && wish.target == other.wish.target &&
           wish.series == other.wish.series && wish.policy == other.wish.policy;
}

Job newJob(std::string name, BodyKind kind, const Scale& scale) {
    Job job;
    job.name = std::move(name);
    job.scale = scale;
    job.body = bodyTemplate(kind, usualLength(kind, scale.ratio));
    if (isStructure(kind) || !job.body.motor) job.supply.kind = SupplyKind::Dc;
    if (kind == BodyKind::Saloon) job.supply.kind = SupplyKind::Dcc;
    if (job.body.motor) job.motor = Motor{};
    return job;
}

Body usualBody(const Body& like, Millimetres length) {
    Body made = bodyTemplate(like.kind, length);
    for (std::size_t i = 0; i < made.axles.size() && i < like.axles.size(); ++i) {
        made.axles[i].collectsLeft = like.axles[i].collectsLeft;
        made.axles[i].collectsRight = like.axles[i].collectsRight;
    }
    return made;
}

Job withBody(Job job, const Body& body) {
    const Body before = std::exchange(job.body, body);
    const auto moved = [&](const Lamp& lamp) -> Point {
        for (std::size_t i = 0; i < before.sites.size() && i < body.sites.size(); ++i) {
            const LampSite& site = before.sites[i];
            if (site.name == lamp.site && site.at == lamp.at && body.sites[i].name == site.name) {
                return body.sites[i].at;
            }
        }
        return {lamp.at.x * (body.length / before.length).value(),
                lamp.at.z * (body.height / before.height).value()};
    };
    for (LampGroup& group : job.groups) {
        for (LampRow& row : group.rows) {
            for (Lamp& lamp : row.lamps) lamp.at = moved(lamp);
        }
    }
    return job;
}

const LampGroup* groupNamed(const Job& job, std::string_view wanted) {
    for (const LampGroup& group : job.groups) {
        if (group.name == wanted) return &group;
    }
    return nullptr;
}

const DecoderOutput* outputNamed(const Job& job, std::string_view wanted) {
    if (!job.decoder) return nullptr;
    for (const DecoderOutput& output : job.decoder->outputs) {
        if (output.name == wanted) return &output;
    }
    return nullptr;
}

}  // namespace glimmet::core

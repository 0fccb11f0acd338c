#include "core/work/workshop_rooms.h"

#include "core/house/district/district.h"
#include "core/house/rules/rules.h"

namespace glimmet::core {
namespace {

constinit const WorkshopRoom rooms[] = {rules::room, district::room};

}  // namespace

std::span<const WorkshopRoom> workshopRooms() { return rooms; }

std::vector<Finding> findings(const WorkshopFacts& facts) {
    std::vector<Finding> all;
    for (const WorkshopRoom& room : rooms) {
        Judging judging(all, room.name);
        if (room.applies(facts.workshop)) room.judge(facts, judging);
    }
    return all;
}

}  // namespace glimmet::core

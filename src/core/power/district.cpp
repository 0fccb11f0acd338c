#include "core/power/district.h"

#include <algorithm>

namespace glimmet::core {

DistrictLoad loadOf(const District& district) {
    DistrictLoad load;
    Amperes more{0};  // what slipping takes beyond running
    for (const DistrictVehicle& each : district.vehicles) {
        load.running += forLong(each);
        load.surge += each.charging + each.lamps + each.sound;
        more = std::max(more, each.slipping - each.running);
    }
    load.worst = load.running + more;
    const Amperes most = usable(district);
    load.room = most - load.running;
    load.state = worse(stateAgainst(load.running.value(), most.value(), districtCloseAbove),
                       stateAgainst(load.surge.value(), district.trip.value(), districtCloseAbove));
    return load;
}

}  // namespace glimmet::core

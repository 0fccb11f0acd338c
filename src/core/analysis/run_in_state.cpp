#include "core/analysis/run_in_state.h"

#include <algorithm>

namespace glimmet::core {

RunInState runInState(const Job& job, const WorkshopRules& house, Direction direction) {
    RunInState made;
    made.direction = direction;
    made.wanted = house.runIn;
    for (const RunInReading& reading : job.runIn.readings) {
        if (reading.direction != direction) continue;
        made.ran = std::max(made.ran, reading.ran);
        if (!reading.current) continue;
        if (!made.first) made.first = reading.current;
        made.least = std::min(made.least.value_or(*reading.current), *reading.current);
        made.last = reading.current;
    }
    if (!made.last || made.first == made.last) {
        if (made.done() && made.first && made.last && made.ran > Seconds{0} &&
            std::count_if(job.runIn.readings.begin(), job.runIn.readings.end(),
                          [&](const RunInReading& each) {
                              return each.direction == direction && each.current;
                          }) > 1)
            made.state = State::Close;
        return made;
    }
    if (*made.last > *made.least * runInRises)
        made.state = State::Over;
    else if (made.done() && *made.last > *made.first * runInFalls)
        made.state = State::Close;
    return made;
}

}  // namespace glimmet::core

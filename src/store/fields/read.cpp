#include "store/fields/read.h"

namespace glimmet::store {

using nlohmann::json;

void Read::point(const json& from, const std::string& place, core::Point& to) {
    constexpr Range range = between(-farthest, farthest);
    const bool good = from.is_array() && from.size() == 2 && from[0].is_number() &&
                      from[1].is_number() && range.holds(from[0].get<double>()) &&
                      range.holds(from[1].get<double>());
    if (good) {
        to = {core::Millimetres{from[0].get<double>()}, core::Millimetres{from[1].get<double>()}};
    } else {
        m_fields.faults().push_back(
            {place, "no point", "[x, z] in millimetres, -1000000 to 1000000"});
    }
}

void Read::points(const json& from, const std::string& place, Outline& to) {
    to.clear();
    for (const json& each : from) {
        core::Point made;
        point(each, place + "/" + std::to_string(to.size()), made);
        to.push_back(made);
    }
}

void Read::outline(const json& from, const std::string& place, std::size_t fewest, Outline& to) {
    if (!from.is_array() || from.size() < fewest || from.size() > mostCorners) {
        m_fields.faults().push_back({place, "no outline",
                                     "a list of " + std::to_string(fewest) + " to " +
                                         std::to_string(mostCorners) + " points"});
        return;
    }
    points(from, place, to);
}

}  // namespace glimmet::store

#include "store/district_loads.h"

namespace glimmet::store {

std::vector<core::JobSummary> districtLoads(const Workshop& workshop,
                                            const core::WorkshopRecord& record,
                                            const core::Catalogue& catalogue) {
    std::vector<core::JobSummary> loads;
    for (const core::PowerDistrict& district : record.districts) {
        for (const core::DistrictModel& model : district.models) {
            if (const auto job = workshop.job(model.job))
                loads.push_back(core::summaryOf(model.job, *job, record.house, catalogue));
        }
    }
    return loads;
}

}  // namespace glimmet::store

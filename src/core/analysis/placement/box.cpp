#include "core/analysis/placement/box.h"

namespace glimmet::core {

std::vector<Box> boxesOf(const Job& job) {
    std::vector<Box> all;
    if (job.decoder) {
        const Decoder& part = job.decoder->part;
        all.push_back(
            {"decoder", part.name, part.length, part.width, part.height, job.decoder->placement});
    }
    if (job.bank) {
        const BankPart& part = job.bank->part;
        all.push_back(
            {"bank", part.name, part.length, part.width, part.height, job.bank->placement});
    }
    return all;
}

}  // namespace glimmet::core

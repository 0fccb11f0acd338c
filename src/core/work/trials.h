// Options tried on the whole job before they are offered: what is left of the finding afterwards,
// and whether anything else got worse.
#pragma once

#include "core/finding/finding.h"
#include "core/work/reckoned.h"

namespace glimmet::core {

/// Tries the remedies of a finding that is not fine and puts those first after which it is fine and
/// nothing else got worse, then those that leave it close; one that only moves the trouble says so
/// and comes last. An option's state becomes that of the finding with it taken (a finding that is
/// gone is fine). Answers are left as they stand, and so are the options of what is fine.
void tryOptions(Finding& finding, const Reckoned& facts);

}  // namespace glimmet::core

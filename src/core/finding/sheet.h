// A sheet of paper as plain values: what it says, under which headings, in which tables. What it
// looks like on a screen, in a browser or on A4 is not its business (src/sheets).
#pragma once

#include "core/text.h"

#include <vector>

namespace glimmet::core {

struct SheetTable {
    std::vector<Text> heads;
    std::vector<std::vector<Text>> rows;  ///< each as long as heads
    bool operator==(const SheetTable&) const = default;
};
struct SheetSection {
    Text heading;
    std::vector<Text> lines{};  ///< before the table
    SheetTable table{};         ///< without heads: none
    bool ticked = false;        ///< a box to tick stands before each line
    bool operator==(const SheetSection&) const = default;
};
struct Sheet {
    Text title;
    Text under{};  ///< softer, below the title; may be empty
    std::vector<SheetSection> sections;
    bool operator==(const Sheet&) const = default;
};

}  // namespace glimmet::core

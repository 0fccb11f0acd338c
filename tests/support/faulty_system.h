// A system that fails: every call of this program that writes, renames or syncs a file can be made
// to fail, or to be the last one before the program is killed. Takes the place of the C library's
// functions in the test program it is linked into, so SQLite, Qt and Glimmet all meet it.
#pragma once

namespace glimmet::tests {

enum class Fault {
    Killed,  ///< the process is gone in the middle of the call, half of what was to be written done
    DiskFull,  ///< ENOSPC, from then on until disarmed
    Broken,    ///< EIO, once
};

/// From now on the n-th writing call (from 1) meets the fault. 0: none does, calls are counted.
void arm(long n, Fault fault);
/// Ends it; how many calls there were.
long disarm();

}  // namespace glimmet::tests

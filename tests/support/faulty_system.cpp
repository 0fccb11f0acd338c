#include "support/faulty_system.h"

#include <fcntl.h>
#include <sys/syscall.h>
#include <sys/types.h>
#include <unistd.h>

#include <cerrno>
#include <csignal>

namespace glimmet::tests {
namespace {

bool armed = false;
long wanted = 0;
long calls = 0;
Fault fault{};

/// Whether this call meets the fault; a kill never comes back from `half`.
template <class Half>
bool meets(Half half) {
    if (!armed) return false;
    ++calls;
    const bool now = wanted > 0 && (fault == Fault::DiskFull ? calls >= wanted : calls == wanted);
    if (!now) return false;
    half();
    if (fault == Fault::Killed) {
        ::kill(::getpid(), SIGKILL);
        for (;;) ::pause();
    }
    errno = fault == Fault::DiskFull ? ENOSPC : EIO;
    return true;
}
bool meets() {
    return meets([] {});
}

}  // namespace

void arm(long n, Fault kind) {
    wanted = n;
    fault = kind;
    calls = 0;
    armed = true;
}
long disarm() {
    armed = false;
    return calls;
}

}  // namespace glimmet::tests

using glimmet::tests::meets;

extern "C" {

ssize_t pwrite(int file, const void* bytes, size_t count, off_t at) {
    if (meets([&] { syscall(SYS_pwrite64, file, bytes, count / 2, at); })) return -1;
    return syscall(SYS_pwrite64, file, bytes, count, at);
}
ssize_t pwrite64(int file, const void* bytes, size_t count, off64_t at) {
    return pwrite(file, bytes, count, at);
}
ssize_t write(int file, const void* bytes, size_t count) {
    if (file > STDERR_FILENO && meets([&] { syscall(SYS_write, file, bytes, count / 2); }))
        return -1;
    return syscall(SYS_write, file, bytes, count);
}
int ftruncate(int file, off_t length) {
    return meets() ? -1 : static_cast<int>(syscall(SYS_ftruncate, file, length));
}
int ftruncate64(int file, off64_t length) { return ftruncate(file, length); }
int fallocate(int file, int mode, off_t at, off_t count) {
    return meets() ? -1 : static_cast<int>(syscall(SYS_fallocate, file, mode, at, count));
}
int fallocate64(int file, int mode, off64_t at, off64_t count) {
    return fallocate(file, mode, at, count);
}
int fsync(int file) { return meets() ? -1 : static_cast<int>(syscall(SYS_fsync, file)); }
int fdatasync(int file) { return meets() ? -1 : static_cast<int>(syscall(SYS_fdatasync, file)); }
int unlink(const char* path) noexcept {
    // A full disk still deletes.
    const bool full =
        glimmet::tests::armed && glimmet::tests::fault == glimmet::tests::Fault::DiskFull;
    if (!full && meets()) return -1;
    return static_cast<int>(syscall(SYS_unlink, path));
}
int rename(const char* from, const char* to) noexcept {
    return meets() ? -1 : static_cast<int>(syscall(SYS_rename, from, to));
}
int renameat2(int at, const char* from, int to, const char* name, unsigned flags) noexcept {
    return meets() ? -1 : static_cast<int>(syscall(SYS_renameat2, at, from, to, name, flags));
}

}  // extern "C"

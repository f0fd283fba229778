// A library that is loaded before all others and makes the calls that write files fail: the nth
// call of a kind, counted from when the test arms it, on files under one folder. Controlled by
// environment variables in a program that is started with it, or by failing_calls_arm() in the test
// itself.
//
//   FAIL_CALL=open|write|fsync|rename|close|link|truncated  FAIL_NTH=n  FAIL_ERRNO=e
//   FAIL_UNDER=folder
//
// "truncated" writes half of what is asked for and then fails, as a disk does that fills up.
#include <dlfcn.h>
#include <fcntl.h>
#include <stdarg.h>
#include <sys/stat.h>
#include <unistd.h>

#include <atomic>
#include <cerrno>
#include <climits>
#include <cstdio>
#include <cstdlib>
#include <cstring>

namespace {

struct Fault {
  char call[16] = "";
  char under[PATH_MAX] = "";
  int error = 0;
  std::atomic<int> left{0};  // calls until it fails; 0: never
  std::atomic<int> seen{0};
};
Fault fault;

void arm(const char* call, int nth, int error, const char* under) {
  std::snprintf(fault.call, sizeof fault.call, "%s", call);
  std::snprintf(fault.under, sizeof fault.under, "%s", under);
  fault.error = error;
  fault.seen = 0;
  fault.left = nth;
}

__attribute__((constructor)) void fromEnvironment() {
  const char* call = std::getenv("FAIL_CALL");
  const char* under = std::getenv("FAIL_UNDER");
  if (call == nullptr || under == nullptr) return;
  const char* nth = std::getenv("FAIL_NTH");
  const char* error = std::getenv("FAIL_ERRNO");
  arm(call, nth ? std::atoi(nth) : 1, error ? std::atoi(error) : ENOSPC, under);
}

bool isUnder(const char* path) {
  return path != nullptr && fault.under[0] != '\0' &&
         std::strncmp(path, fault.under, std::strlen(fault.under)) == 0;
}

bool isUnder(int file) {
  char link[64];
  char path[PATH_MAX];
  std::snprintf(link, sizeof link, "/proc/self/fd/%d", file);
  const ssize_t size = ::readlink(link, path, sizeof path - 1);
  if (size <= 0) return false;
  path[size] = '\0';
  return isUnder(path);
}

// Whether this very call is the one that fails; sets errno.
bool fails(const char* call) {
  if (std::strcmp(fault.call, call) != 0) return false;
  ++fault.seen;
  int left = fault.left.load();
  while (left > 0 && !fault.left.compare_exchange_weak(left, left - 1)) {
  }
  if (left != 1) return false;
  errno = fault.error;
  return true;
}

template <class Function>
Function next(const char* name) {
  return reinterpret_cast<Function>(::dlsym(RTLD_NEXT, name));
}

bool writes(int flags) {
  return flags >= 0 && (flags & (O_WRONLY | O_RDWR)) != 0;
}

}  // namespace

extern "C" {

void failing_calls_arm(const char* call, int nth, int error, const char* under) {
  arm(call, nth, error, under);
}
int failing_calls_seen() {
  return fault.seen.load();
}

int open(const char* path, int flags, ...) {
  va_list rest;
  va_start(rest, flags);
  const mode_t mode = va_arg(rest, mode_t);
  va_end(rest);
  if (writes(flags) && isUnder(path) && fails("open")) return -1;
  return next<int (*)(const char*, int, ...)>("open")(path, flags, mode);
}
int open64(const char* path, int flags, ...) {
  va_list rest;
  va_start(rest, flags);
  const mode_t mode = va_arg(rest, mode_t);
  va_end(rest);
  if (writes(flags) && isUnder(path) && fails("open")) return -1;
  return next<int (*)(const char*, int, ...)>("open64")(path, flags, mode);
}
int mkostemp(char* name, int flags) {
  if (isUnder(name) && fails("open")) return -1;
  return next<int (*)(char*, int)>("mkostemp")(name, flags);
}
ssize_t write(int file, const void* data, size_t size) {
  static const auto real = next<ssize_t (*)(int, const void*, size_t)>("write");
  if (file > 2 && isUnder(file)) {
    if (fails("write")) return -1;
    if (std::strcmp(fault.call, "truncated") == 0 && fault.left.load() == 1 && size > 1) {
      ++fault.seen;
      fault.left = -1;  // what follows finds the disk full
      return real(file, data, size / 2);
    }
    if (std::strcmp(fault.call, "truncated") == 0 && fault.left.load() == -1) {
      errno = fault.error;
      return -1;
    }
  }
  return real(file, data, size);
}
int fsync(int file) {
  if (isUnder(file) && fails("fsync")) return -1;
  return next<int (*)(int)>("fsync")(file);
}
int fdatasync(int file) {
  if (isUnder(file) && fails("fsync")) return -1;
  return next<int (*)(int)>("fdatasync")(file);
}
int close(int file) {
  // Of what is only read nothing can be lost.
  const bool fail = std::strcmp(fault.call, "close") == 0 && writes(::fcntl(file, F_GETFL)) &&
                    isUnder(file) && fails("close");
  const int out = next<int (*)(int)>("close")(file);
  if (!fail) return out;
  errno = fault.error;
  return -1;
}
int rename(const char* from, const char* to) {
  if (isUnder(to) && fails("rename")) return -1;
  return next<int (*)(const char*, const char*)>("rename")(from, to);
}
int link(const char* from, const char* to) {
  if (isUnder(to) && fails("link")) return -1;
  return next<int (*)(const char*, const char*)>("link")(from, to);
}
}

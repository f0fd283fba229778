// The exported text of a store. Whatever is read leaves the store whole: taken altogether or not at
// all, sound, and written as it was read.
#include <unistd.h>
#include <cstdint>
#include <cstdlib>
#include <filesystem>
#include <string>

#include "core/shop/needs.h"
#include "core/store/store.h"

namespace {

pp::Store& store() {
  static pp::Store one = [] {
    const std::string path = (std::filesystem::temp_directory_path() /
                              ("fuzz-store-" + std::to_string(::getpid()) + ".sqlite"))
                                 .string();
    std::filesystem::remove(path);
    auto opened = pp::Store::open(path);
    if (!opened) std::abort();
    return std::move(opened).value();
  }();
  return one;
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  const std::string text(reinterpret_cast<const char*>(data), size);
  const std::string before = store().exported().value();
  if (!store().import("fuzzed", text).empty()) {
    if (store().exported().value() != before) std::abort();
    return 0;
  }
  const auto written = store().exported();
  if (!written) std::abort();
  if (!store().import("written", *written).empty()) std::abort();
  if (store().exported().value() != *written) std::abort();
  (void)store().wants();
  (void)store().rack();
  return 0;
}

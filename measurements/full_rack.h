// A store with ten thousand offcuts in a folder of its own.
#pragma once

#include <filesystem>
#include <stdexcept>
#include <string>

#include "core/store/store.h"

namespace pp::measurements {

inline constexpr std::int64_t kPieces = 10'000;

struct FullRack {
  std::filesystem::path folder;
  Store store;

  static std::filesystem::path made() {
    const auto out = std::filesystem::temp_directory_path() / "store-bench";
    std::filesystem::remove_all(out);
    std::filesystem::create_directories(out);
    return out;
  }
  FullRack() : folder(made()), store(Store::open((folder / "shop.sqlite").string()).value()) {
    std::string text = R"({"format": "plain-patch-store", "version": 2, "materials": [)";
    for (int i = 1; i <= 12; ++i)
      text += std::string(i > 1 ? "," : "") + R"({"id": )" + std::to_string(i) +
              R"(, "name": "birch", "nominal": )" + std::to_string(2 + i) + R"(, "measured": )" +
              std::to_string(2 + i) + "}";
    text += R"(], "pieces": [)";
    for (std::int64_t i = 1; i <= kPieces; ++i)
      text += std::string(i > 1 ? "," : "") + R"({"id": )" + std::to_string(i) +
              R"(, "kind": "offcut", "material": )" + std::to_string(1 + i % 12) + R"(, "tag": )" +
              std::to_string(i) + R"(, "lot": "L)" + std::to_string(i % 97) + R"(", "length": )" +
              std::to_string(300 + i % 1'900) + R"(, "width": )" + std::to_string(100 + i % 900) +
              R"(, "place": "rack )" + std::to_string(i % 40) + R"("})";
    text += "]}";
    if (const Problems problems = store.import("bench", text); !problems.empty())
      throw std::runtime_error(describe(problems));
  }
  ~FullRack() { std::filesystem::remove_all(folder); }
};

}  // namespace pp::measurements

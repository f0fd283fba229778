// A store in a folder of its own, and what the tests put into it.
#pragma once

#include <gtest/gtest.h>
#include <unistd.h>

#include <filesystem>

#include "core/shop/needs.h"
#include "core/store/store.h"
#include "tests/core/support.h"

namespace pp::test {

class StoreFile {
 public:
  StoreFile() {
    std::string name = (std::filesystem::temp_directory_path() / "store-XXXXXX").string();
    folder_ = mkdtemp(name.data());
  }
  StoreFile(const StoreFile&) = delete;
  ~StoreFile() { std::filesystem::remove_all(folder_); }
  std::string path() const { return (folder_ / "shop.sqlite").string(); }
  Store open() const {
    auto out = Store::open(path());
    if (!out) throw std::runtime_error(describe(out.problems()));
    return std::move(out).value();
  }

 private:
  std::filesystem::path folder_;
};

inline std::vector<RackRow> rackOf(Store& store, const RackSearch& search = {}) {
  return store.rack(search).value();
}

inline Id addMaterial(Store& store, const char* name, double thickness) {
  return store.add(RackMaterial{0, name, mm(thickness), mm(thickness)}).value();
}

// 2 440 by 1 220.
inline RackPiece sheetOf(Id material) {
  RackPiece out;
  out.material = material;
  out.length = mm(2'440);
  out.width = mm(1'220);
  return out;
}

// Something of every kind; gives the material. The first piece is four sheets, one of them taken.
inline Id fill(Store& store) {
  const Id birch = addMaterial(store, "birch", 18);
  RackPiece sheets = sheetOf(birch);
  sheets.count = 4;
  const Id first = store.add(sheets).value();
  RackPiece offcut = sheetOf(birch);
  offcut.kind = RackKind::Offcut;
  offcut.tag = -1;
  offcut.defects = {{mm(1), mm(2), mm(3), mm(4)}};
  EXPECT_TRUE(store.add(offcut).ok());
  EXPECT_TRUE(store.add(LotReading{0, birch, "A", mm(17.9), "2026-11-27"}).ok());
  EXPECT_TRUE(store.add(RackBanding{0, "birch 22", mm(1), mm(22), mm(50'000)}).ok());
  EXPECT_TRUE(store.add(Hardware{0, HardwareKind::Hinge, "hinge", {}, 4, 2}).ok());
  EXPECT_TRUE(store.add(ShopFinish{0, "oil", {FinishProduct{"oil"}}}).ok());
  EXPECT_FALSE(store.set("house rules", "none"));
  EXPECT_TRUE(store.take("a", "Log wall", 1, {{first, 1}}).empty());
  RackPiece left = sheetOf(birch);
  left.kind = RackKind::Offcut;
  EXPECT_TRUE(store.follow({"a", "Log wall", 3, {{first, 1, 0, 1}}, {{1, "S1/4", left}}}).ok());
  return birch;
}

}  // namespace pp::test

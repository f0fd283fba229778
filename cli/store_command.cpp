#include <fmt/format.h>

#include <iostream>

#include "cli/commands.h"
#include "core/floor/ledger.h"
#include "core/formats/file.h"
#include "core/length/format.h"
#include "core/length/parse.h"
#include "core/store/store.h"

namespace pp::cli {
namespace {

// Whole millimetres, never more than is there.
std::string sizeOf(const RackPiece& piece) {
  const auto whole = [](Length length) {
    return formatMm(floor::wholeDown(length, Unit::Millimetre));
  };
  return whole(piece.length) + " × " + whole(piece.width);
}
// To a hundredth.
std::string thicknessOf(const RackMaterial& material) {
  const std::int64_t hundredths = (material.nominal.inNm() + 5'000) / 10'000;
  return formatMm(Length::um(hundredths * 10));
}

int list(Store& store, const StoreOptions& options) {
  RackSearch search;
  search.words = options.words;
  const auto rack = store.rack(search);
  const auto materials = store.all<RackMaterial>();
  if (!rack) return refuse(rack.problems());
  if (!materials) return refuse(materials.problems());
  std::map<Id, std::string> names;
  for (const RackMaterial& one : *materials) names[one.id] = one.name + " " + thicknessOf(one);
  for (const RackRow& row : *rack) {
    const RackPiece& piece = row.piece;
    // A store of before texts were looked at may have anything in them.
    std::cout << fmt::format("{}\t{}\t{}\t{}\t{} free of {}\t{}\n", piece.id,
                             piece.tag > 0 ? fmt::format("R{}", piece.tag) : "",
                             shown(names[piece.material]), sizeOf(piece), row.free, row.left,
                             shown(piece.place));
  }
  return kComplete;
}

int add(Store& store, const StoreOptions& options) {
  Problems problems;
  const auto length = [&problems](const char* option, const std::string& text) {
    const auto read = parseExpression(text, Unit::Millimetre);
    if (read) return read.value();
    for (Problem problem : read.problems()) {
      problem.field = option;
      problems.push_back(std::move(problem));
    }
    return Length{};
  };
  RackPiece piece;
  piece.kind = options.kind == "bar"      ? RackKind::Bar
               : options.kind == "offcut" ? RackKind::Offcut
                                          : RackKind::Sheet;
  const Length thickness = length("--thickness", options.thickness);
  piece.length = length("--length", options.length);
  piece.width = length("--width", options.width);
  if (const auto price = parseMoney(options.price))
    piece.price = price.value();
  else
    problems.push_back({{}, 0, "--price", shown(options.price), "a price"});
  if (!problems.empty()) return refuse(problems);
  const auto material = store.materialLike({0, options.material, thickness, thickness});
  if (!material) return refuse(material.problems());
  piece.material = *material;
  piece.count = options.count;
  piece.lot = options.lot;
  piece.place = options.place;
  piece.note = options.note;
  piece.tag = options.tagged ? -1 : 0;
  const auto id = store.add(piece);
  if (!id) return refuse(id.problems());
  std::cout << *id << "\n";
  return kComplete;
}

int import(Store& store, const StoreOptions& options) {
  const auto text = readFile(options.file);
  if (!text) return refuse(text.problems());
  const Problems problems = store.import(options.file, text.value());
  return problems.empty() ? kComplete : refuse(problems);
}

int exported(Store& store, const StoreOptions& options) {
  const auto text = store.exported();
  if (!text) return refuse(text.problems());
  if (options.out.empty()) {
    std::cout << text.value();
    return kComplete;
  }
  if (const auto problem = writeFile(options.out, text.value())) return notWritten(*problem);
  return kComplete;
}

int check(Store& store, const StoreOptions&) {
  const Problems problems = store.check();
  if (!problems.empty()) return refuse(problems);
  std::cout << "nothing wrong\n";
  return kComplete;
}

int onStore(const StoreOptions& options, bool looks, int (*run)(Store&, const StoreOptions&)) {
  const std::string path = options.store.empty() ? usualStorePath() : options.store;
  if (const Problems wrong = wrongTargets({path, path + "-wal"}, {options.out, options.file});
      !wrong.empty())
    return refuse(wrong);
  // What only looks does not make a store where there is none.
  auto opened = looks ? Store::openToRead(path) : Store::open(path);
  return opened ? run(opened.value(), options) : refuse(opened.problems());
}

}  // namespace

int runList(const StoreOptions& options) {
  return onStore(options, true, list);
}
int runAdd(const StoreOptions& options) {
  return onStore(options, false, add);
}
int runImport(const StoreOptions& options) {
  return onStore(options, false, import);
}
int runExport(const StoreOptions& options) {
  return onStore(options, true, exported);
}
int runCheck(const StoreOptions& options) {
  return onStore(options, true, check);
}

}  // namespace pp::cli

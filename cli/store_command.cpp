#include <fmt/format.h>

#include <iostream>
#include <memory>

#include "cli/commands.h"
#include "core/formats/file.h"
#include "core/length/format.h"
#include "core/length/parse.h"
#include "core/store/store.h"

namespace pp::cli {
namespace {

struct Options {
  std::string store, words, file, out;
  std::string kind = "sheet", material, thickness, length, width, lot, place, note, price = "0";
  std::int64_t count = 1;
  bool tagged = false;
};

std::string sizeOf(const RackPiece& piece) {
  return formatMm(piece.length) + " × " + formatMm(piece.width);
}

int list(Store& store, const Options& options) {
  RackSearch search;
  search.words = options.words;
  const auto rack = store.rack(search);
  const auto materials = store.all<RackMaterial>();
  if (!rack) return refuse(rack.problems());
  if (!materials) return refuse(materials.problems());
  std::map<Id, std::string> names;
  for (const RackMaterial& one : *materials) names[one.id] = one.name + " " + formatMm(one.nominal);
  for (const RackRow& row : *rack) {
    const RackPiece& piece = row.piece;
    std::cout << fmt::format("{}\t{}\t{}\t{}\t{} free of {}\t{}\n", piece.id,
                             piece.tag > 0 ? fmt::format("R{}", piece.tag) : "",
                             names[piece.material], sizeOf(piece), row.free, row.left, piece.place);
  }
  return kComplete;
}

int add(Store& store, const Options& options) {
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

int import(Store& store, const Options& options) {
  const auto text = readFile(options.file);
  if (!text) return refuse(text.problems());
  const Problems problems = store.import(options.file, text.value());
  return problems.empty() ? kComplete : refuse(problems);
}

int exported(Store& store, const Options& options) {
  const auto text = store.exported();
  if (!text) return refuse(text.problems());
  if (options.out.empty()) {
    std::cout << text.value();
    return kComplete;
  }
  if (const auto problem = writeFile(options.out, text.value())) return notWritten(*problem);
  return kComplete;
}

int check(Store& store, const Options&) {
  const Problems problems = store.check();
  if (!problems.empty()) return refuse(problems);
  std::cout << "nothing wrong\n";
  return kComplete;
}

}  // namespace

void addStore(CLI::App& app, int& status) {
  auto options = std::make_shared<Options>();
  CLI::App* store = app.add_subcommand("store", "What the shop owns: the rack across jobs");
  store->require_subcommand(1);
  store->add_option("--store", options->store, "the store's file; this user's if not given");
  // What only looks does not make a store where there is none.
  const auto runs = [options, &status](CLI::App* command, int (*run)(Store&, const Options&),
                                       bool looks) {
    command->callback([options, &status, run, looks] {
      const std::string path = options->store.empty() ? usualStorePath() : options->store;
      auto opened = looks ? Store::openToRead(path) : Store::open(path);
      status = opened ? run(opened.value(), *options) : refuse(opened.problems());
    });
  };
  CLI::App* command = store->add_subcommand("list", "What is in the rack: id, tag, material, size");
  command->add_option("WORDS", options->words, "only what has them");
  runs(command, list, true);
  command = store->add_subcommand("add", "Put pieces into the rack; prints their id");
  command->add_option("--material", options->material, "its name")->required();
  command->add_option("--thickness", options->thickness, "nominal")->required();
  command->add_option("--length", options->length, "with the grain")->required();
  command->add_option("--width", options->width, "across it")->required();
  command->add_option("--kind", options->kind, "sheet, bar or offcut")
      ->check(CLI::IsMember({"sheet", "bar", "offcut"}));
  command->add_option("--count", options->count, "so many alike");
  command->add_option("--lot", options->lot, "what was bought together");
  command->add_option("--place", options->place, "where it stands");
  command->add_option("--note", options->note, "what else there is to say");
  command->add_option("--price", options->price, "each");
  command->add_flag("--tag", options->tagged, "give it the next number for its label");
  runs(command, add, false);
  command = store->add_subcommand("import", "Replace all of it by an exported text");
  command->add_option("FILE", options->file, "JSON")->required();
  runs(command, import, false);
  command = store->add_subcommand("export", "All of it as one JSON text");
  command->add_option("--out", options->out, "file to write; standard output if not given");
  runs(command, exported, true);
  command = store->add_subcommand("check", "Look for what is broken or promised twice");
  runs(command, check, true);
}

}  // namespace pp::cli

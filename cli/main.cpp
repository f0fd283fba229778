// plainpatch-cli: break-down, nesting and labels without the window.
#include <CLI/CLI.hpp>
#include <exception>
#include <filesystem>
#include <iostream>
#include <memory>

#include "cli/commands.h"
#include "core/formats/file.h"

namespace pp::cli {

int refuse(const Problems& problems) {
  std::cerr << describe(problems);
  return kRefused;
}

int notWritten(const Problem& problem) {
  if (isWritten(problem)) {
    refuse({problem});
    return kInternal;
  }
  std::error_code error;
  const auto kind = std::filesystem::status(problem.file, error).type();
  const bool device = kind != std::filesystem::file_type::regular &&
                      kind != std::filesystem::file_type::directory &&
                      kind != std::filesystem::file_type::not_found;
  refuse({problem});
  return device ? kInternal : kRefused;
}

Problems troublesIn(const std::string& file, const Breakdown& breakdown) {
  Problems out;
  for (const Trouble& trouble : breakdown.troubles) {
    Problem problem = trouble.problem;
    problem.file = file;
    problem.field = "assembly " + trouble.assembly + ", " + problem.field;
    out.push_back(std::move(problem));
  }
  return out;
}

bool saidAll() {
  std::cout.flush();
  if (std::cout.good()) return true;
  std::cerr << "standard output: it could not be written\n";
  return false;
}

namespace {

void addBreakdown(CLI::App& app, int& status) {
  auto options = std::make_shared<BreakdownOptions>();
  CLI::App* command = app.add_subcommand("breakdown", "Break a job down to its parts");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command->add_option("--parts", options->parts, "parts cut from sheets, CSV to write");
  command->add_option("--stock", options->stock, "the job's stock to write, CSV");
  command->add_option("--banding", options->banding, "the job's banding to write, CSV");
  command->add_option("--lumber", options->lumber, "parts cut from bars, CSV to write");
  command->add_option("--machining", options->machining,
                      "what is cut into the parts, CSV to write");
  command->add_option("--edges", options->edges, "the edges that are banded, CSV to write");
  command->add_option("--bought", options->bought, "what is bought ready, CSV to write");
  command->add_option("--hardware", options->hardware,
                      "slides, hinges, screws and glue, counted, CSV to write");
  command->add_option("--finishes", options->finishes, "areas by finish, CSV to write");
  command->callback([options, &status] { status = run(*options); });
}

void addNest(CLI::App& app, int& status) {
  auto options = std::make_shared<NestOptions>();
  CLI::App* command = app.add_subcommand("nest", "Lay parts out on stock");
  command->add_option("--parts", options->parts, "parts list, CSV")->required();
  command->add_option("--stock", options->stock, "stock list, CSV")->required();
  command->add_option("--banding", options->banding, "banding list, CSV");
  command->add_option("--kerf", options->kerf, "width of the saw's cut, such as 1/8in")->required();
  command->add_option("--trim", options->trim, "off every edge of a full sheet, blade included");
  command->add_option("--unit", options->unit, "unit of numbers without one")
      ->check(CLI::IsMember({"in", "mm"}));
  command->add_option("--goal", options->goal, "what the plan is best at")
      ->check(CLI::IsMember({"cost", "setups", "offcuts"}));
  command->add_option("--seconds", options->seconds, "time limit for the whole job");
  command
      ->add_option("--steps", options->steps,
                   "search steps instead of seconds: the same plan every time")
      ->check(CLI::NonNegativeNumber);
  command->add_option("--seed", options->seed, "where the search begins");
  command->add_option("--out", options->out, "plan to write, JSON; standard output if not given");
  command->callback([options, &status] { status = run(*options); });
}

void addLabels(CLI::App& app, int& status) {
  auto options = std::make_shared<LabelsOptions>();
  CLI::App* command = app.add_subcommand("labels", "Print a label for every piece of a job, PDF");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command->add_option("--out", options->out, "PDF to write")->required();
  command->add_option("--paper", options->paper, "a4 or letter; the job's if not given")
      ->check(CLI::IsMember({"a4", "letter"}));
  command->add_option("--columns", options->columns, "labels across a sheet")
      ->check(CLI::Range(1, 10));
  command->add_option("--rows", options->rows, "labels down a sheet")->check(CLI::Range(1, 30));
  command->callback([options, &status] { status = run(*options); });
}

void addPicture(CLI::App& app, int& status) {
  auto options = std::make_shared<PictureOptions>();
  CLI::App* command = app.add_subcommand("picture", "Paint an assembly in space, PNG");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command->add_option("--assembly", options->assembly, "its code")->required();
  command->add_option("--out", options->out, "PNG to write")->required();
  command->add_option("--turn", options->turn, "degrees round the upright axis");
  command->add_option("--tilt", options->tilt, "degrees from above");
  command->add_flag("--apart", options->apart, "drawn apart, with codes");
  constexpr int kMostPixels = 4000;
  command->add_option("--width", options->width, "pixels")->check(CLI::Range(100, kMostPixels));
  command->add_option("--height", options->height, "pixels")->check(CLI::Range(100, kMostPixels));
  command->callback([options, &status] { status = run(*options); });
}

void addBench(CLI::App& app, int& status) {
  auto options = std::make_shared<BenchOptions>();
  CLI::App* command = app.add_subcommand(
      "bench", "Joints, fittings, steps, machining, banding, coats and loads of a job, JSON");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command->add_option("--out", options->out, "file to write; standard output if not given");
  command->callback([options, &status] { status = run(*options); });
}

void addPages(CLI::App& app, int& status) {
  auto options = std::make_shared<PagesOptions>();
  CLI::App* command = app.add_subcommand("pages", "Print pages of a job, a PDF each");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command
      ->add_option("--page", options->pages,
                   "which, with commas between: parts, sheets, cutting, labels, measuring, "
                   "shopping, machining, banding, finishing, assembly, installing, templates")
      ->required();
  command->add_option("--out", options->out, "folder to write them to")->required();
  command->add_option("--paper", options->paper, "a4 or letter; as the job's labels if not given")
      ->check(CLI::IsMember({"a4", "letter"}));
  command->add_option("--steps", options->steps, "search steps, where a page needs a plan")
      ->check(CLI::NonNegativeNumber);
  command->callback([options, &status] { status = run(*options); });
}

void addLook(CLI::App& app, int& status) {
  auto options = std::make_shared<LookOptions>();
  CLI::App* command =
      app.add_subcommand("look", "What someone beside the maker would point at in a job");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command->add_flag("--json", options->json, "as a JSON list");
  command->callback([options, &status] { status = run(*options); });
}

void addFloor(CLI::App& app, int& status) {
  auto options = std::make_shared<FloorOptions>();
  CLI::App* command = app.add_subcommand(
      "floor",
      "What is cut, lies there, is left over and still wanted of what was taken to the saw");
  command->add_option("JOB", options->job, "job file (.plainpatch)")->required();
  command->add_flag("--json", options->json, "as JSON");
  command->callback([options, &status] { status = run(*options); });
}

void addStore(CLI::App& app, int& status) {
  auto options = std::make_shared<StoreOptions>();
  CLI::App* store = app.add_subcommand("store", "What the shop owns: the rack across jobs");
  store->require_subcommand(1);
  store->add_option("--store", options->store, "the store's file; this user's if not given");
  const auto runs = [options, &status](CLI::App* command, int (*run)(const StoreOptions&)) {
    command->callback([options, &status, run] { status = run(*options); });
  };
  CLI::App* command = store->add_subcommand("list", "What is in the rack: id, tag, material, size");
  command->add_option("WORDS", options->words, "only what has them");
  runs(command, runList);
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
  runs(command, runAdd);
  command = store->add_subcommand("import", "Replace all of it by an exported text");
  command->add_option("FILE", options->file, "JSON")->required();
  runs(command, runImport);
  command = store->add_subcommand("export", "All of it as one JSON text");
  command->add_option("--out", options->out, "file to write; standard output if not given");
  runs(command, runExport);
  command = store->add_subcommand("check", "Look for what is broken or promised twice");
  runs(command, runCheck);
}

}  // namespace
}  // namespace pp::cli

int main(int argc, char** argv) {
  using namespace pp::cli;
  CLI::App app{"Plain Patch: from a job to its parts, cutting plan and labels."};
  app.require_subcommand(1);
  int status = kComplete;
  addBreakdown(app, status);
  addNest(app, status);
  addLabels(app, status);
  addPicture(app, status);
  addBench(app, status);
  addPages(app, status);
  addLook(app, status);
  addFloor(app, status);
  addStore(app, status);
  try {
    app.parse(argc, argv);
    return saidAll() ? status : kInternal;
  } catch (const CLI::ParseError& error) {
    // Wrong options are refused input; --help is none.
    return app.exit(error) == 0 ? kComplete : kRefused;
  } catch (const std::exception& error) {
    std::cerr << "internal failure: " << pp::shown(error.what(), 2000) << "\n";
    return kInternal;
  }
}

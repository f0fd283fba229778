// plainpatch-cli: break-down, nesting and labels without the window.
#include <exception>
#include <filesystem>
#include <iostream>

#include "cli/commands.h"

namespace pp::cli {

int refuse(const Problems& problems) {
  std::cerr << describe(problems);
  return kRefused;
}

int notWritten(const Problem& problem) {
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
  addLook(app, status);
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

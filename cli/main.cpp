// plainpatch-cli: break-down, nesting and labels without the window.
#include <exception>
#include <iostream>

#include "cli/commands.h"

namespace pp::cli {

int refuse(const Problems& problems) {
  std::cerr << describe(problems);
  return kRefused;
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
  try {
    app.parse(argc, argv);
    return status;
  } catch (const CLI::ParseError& error) {
    // Wrong options are refused input; --help is none.
    return app.exit(error) == 0 ? kComplete : kRefused;
  } catch (const std::exception& error) {
    std::cerr << "internal failure: " << pp::shown(error.what(), 2000) << "\n";
    return kInternal;
  }
}

#include <QGuiApplication>
#include <algorithm>
#include <array>
#include <filesystem>
#include <iostream>
#include <sstream>

#include "cli/commands.h"
#include "core/assembly/bench_json.h"
#include "core/formats/file.h"
#include "core/formats/job_json.h"
#include "core/nest/nest.h"
#include "core/shop/shopping.h"
#include "pictures/paper/print.h"

namespace pp::cli {
namespace {

struct Read {
  Job job;
  std::vector<Part> parts;
};
Result<Read> read(const std::string& file) {
  const auto text = readFile(file);
  if (!text) return text.problems();
  auto job = readJob(file, text.value());
  if (!job) return job.problems();
  Breakdown broken = breakDown(job.value());
  if (const Problems troubles = troublesIn(file, broken); !troubles.empty()) return troubles;
  return Read{std::move(job).value(), std::move(broken.parts)};
}

struct Page {
  const char* word;
  Pages pages;
};
// Labels of the rack are the store's.
constexpr std::array kPages = {
    Page{"parts", Pages::PartsList},          Page{"sheets", Pages::Sheets},
    Page{"cutting", Pages::CuttingList},      Page{"labels", Pages::Labels},
    Page{"measuring", Pages::MeasuringSheet}, Page{"shopping", Pages::ShoppingList},
    Page{"machining", Pages::Machining},      Page{"banding", Pages::Banding},
    Page{"finishing", Pages::Finishing},      Page{"assembly", Pages::Assembly},
    Page{"installing", Pages::Installing},    Page{"templates", Pages::Templates}};

Result<std::vector<Page>> pagesOf(const std::string& words) {
  std::vector<Page> out;
  std::istringstream in(words);
  for (std::string word; std::getline(in, word, ',');) {
    const auto at = std::find_if(kPages.begin(), kPages.end(),
                                 [&word](const Page& one) { return one.word == word; });
    if (at == kPages.end()) {
      std::string known;
      for (const Page& one : kPages) known += (known.empty() ? "" : ", ") + std::string(one.word);
      return Problem{{}, 0, "--page", word, "one of " + known};
    }
    out.push_back(*at);
  }
  if (out.empty()) return Problem{{}, 0, "--page", "nothing", "a page, such as assembly"};
  return out;
}

}  // namespace

int run(const BenchOptions& options) {
  if (const Problems wrong = wrongTargets({options.job}, {options.out}); !wrong.empty())
    return refuse(wrong);
  const auto of = read(options.job);
  if (!of) return refuse(of.problems());
  const std::string json = bench::writeBench(of->job, of->parts);
  if (options.out.empty()) {
    std::cout << json;
    return kComplete;
  }
  if (const auto problem = writeFile(options.out, json)) return notWritten(*problem);
  return kComplete;
}

int run(const PagesOptions& options) {
  const auto pages = pagesOf(options.pages);
  if (!pages) return refuse(pages.problems());
  std::error_code error;
  if (!std::filesystem::is_directory(options.out, error))
    return refuse({{options.out, 0, "--out", "no folder", "a folder that is there"}});
  std::vector<std::string> files;
  for (const Page& page : pages.value())
    files.push_back(
        (std::filesystem::path(options.out) / (std::string(page.word) + ".pdf")).string());
  if (const Problems wrong = wrongTargets({options.job}, files); !wrong.empty())
    return refuse(wrong);
  const auto of = read(options.job);
  if (!of) return refuse(of.problems());
  const bool planned = std::any_of(pages->begin(), pages->end(), [](const Page& page) {
    return page.pages == Pages::Sheets || page.pages == Pages::CuttingList ||
           page.pages == Pages::ShoppingList;
  });
  NestRequest request;
  Plan plan;
  if (planned) {
    request = requestOf(of->job, of->parts);
    nest::NestOptions nesting;
    nesting.steps = options.steps;
    plan = nest::nest(request, nesting);
  }
  const ShoppingList shopping = shoppingList(
      {wantsOf(of->job, of->parts, planned ? OpenWork{&request, &plan} : OpenWork{})}, {}, 0);
  // Fonts and pages need Qt's painting, but no display.
  qputenv("QT_QPA_PLATFORM", "offscreen");
  int argc = 1;
  char name[] = "plainpatch-cli";
  char* argv[] = {name, nullptr};
  const QGuiApplication application(argc, argv);
  const bool letter = options.paper.empty() ? of->job.labels.letter : options.paper == "letter";
  PrintInput input{of->job, of->parts};
  if (planned) input.request = &request, input.plan = &plan;
  input.shopping = &shopping;
  for (std::size_t i = 0; i < files.size(); ++i)
    if (const auto problem =
            printPages(pages.value()[i].pages, input, letter ? Paper::Letter : Paper::A4,
                       QString::fromStdString(files[i])))
      return notWritten(*problem);
  return planned && !plan.complete() ? kPartial : kComplete;
}

}  // namespace pp::cli

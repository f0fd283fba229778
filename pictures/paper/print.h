// What can be put on paper: each piece is written as a PDF of its own.
#pragma once

#include <QString>
#include <functional>
#include <stop_token>
#include <vector>

#include "core/breakdown/breakdown.h"
#include "core/plan/plan.h"

namespace pp {

enum class Paper { A4, Letter };

// Everything the pages are made from; values and references that outlive the call.
struct PrintInput {
  const Job& job;
  const std::vector<Part>& parts;
  const NestRequest* request = nullptr;  // with plan: needed for sheets and the cutting list
  const Plan* plan = nullptr;
};

// How far it is, and whether it is still wanted; asked and told on the thread that prints.
struct PrintWatch {
  std::stop_token stop;
  std::function<void(std::size_t done, std::size_t of)> progress;

  bool isStopped() const { return stop.stop_requested(); }
  void tell(std::size_t done, std::size_t of) const {
    if (progress) progress(done, of);
  }
};

// All of these may run on any thread once look::loadFonts() was called on the window's. Stopped,
// they write nothing and say so.
// The parts list ends with the bars and what is cut from each, and what is bought in.
// Each writes a whole PDF to `path` by way of a temporary file, or says why it cannot.
std::optional<Problem> printPartsList(const PrintInput& input, Paper paper, const QString& path,
                                      const PrintWatch& watch = {});
std::optional<Problem> printSheets(const PrintInput& input, Paper paper, const QString& path,
                                   const PrintWatch& watch = {});
std::optional<Problem> printCuttingList(const PrintInput& input, Paper paper, const QString& path,
                                        const PrintWatch& watch = {});
// One label a piece, on the grid and paper of the job's label sheet.
std::optional<Problem> printLabels(const PrintInput& input, const QString& path,
                                   const PrintWatch& watch = {});

// What the QR code of a piece's label says: "PP1:", the job's id, the part in the code book (the
// assembly's id and the number), and which piece of it; "PP1:3F0C…:12.7:1".
QString labelCode(const Job& job, const Part& part, std::int64_t copy);

}  // namespace pp

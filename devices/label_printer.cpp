#include "devices/label_printer.h"

#include <filesystem>
#include <fstream>
#include <utility>

namespace pp {
namespace {

constexpr int kLooks = 3;      // that a slow one takes for a label
constexpr int kUntilCare = 3;  // labels between one trouble and the next

bool write(const std::filesystem::path& path, const std::string& bytes) {
  std::ofstream out(path, std::ios::binary | std::ios::trunc);
  out.write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
  return static_cast<bool>(out.flush());
}

}  // namespace

SimulatedPrinter::SimulatedPrinter(PrinterManner manner, std::string folder)
    : folder_(std::move(folder)), manner_(manner), absent_(manner == PrinterManner::Unplugged) {
  std::error_code ignored;
  std::filesystem::create_directories(folder_, ignored);
}

PrinterState SimulatedPrinter::state() {
  if (absent_) return PrinterState::Absent;
  if (caught_) return PrinterState::Jammed;
  if (empty_) return PrinterState::OutOfPaper;
  return label_ ? PrinterState::Printing : PrinterState::Ready;
}

bool SimulatedPrinter::cameOut(const std::string& id) const {
  std::error_code ignored;
  return std::filesystem::exists(folder_ + "/" + id + ".png", ignored);
}

void SimulatedPrinter::send(const PrinterLabel& label) {
  if (absent_) return;
  label_ = label;
  looks_ = manner_ == PrinterManner::Slow ? kLooks : 0;
}

std::optional<std::string> SimulatedPrinter::take() {
  if (absent_ || !label_) return std::nullopt;
  if (cameOut(label_->id)) return std::exchange(label_, std::nullopt)->id;
  if (caught_ || empty_) return std::nullopt;
  if (looks_ > 0) {
    --looks_;
    return std::nullopt;
  }
  if (printed_ == kUntilCare) {
    caught_ = manner_ == PrinterManner::Jamming;
    empty_ = manner_ == PrinterManner::NoPaper;
    if (caught_ || empty_) return std::nullopt;
  }
  // The picture is what says that it came out: it is there whole or not at all.
  const std::string path = folder_ + "/" + label_->id;
  std::error_code error;
  if (!write(path + ".pdf", label_->pdf) || !write(path + ".part", label_->png))
    error.assign(1, std::generic_category());
  if (!error) std::filesystem::rename(path + ".part", path + ".png", error);
  if (error) {
    caught_ = true;
    return std::nullopt;
  }
  std::ofstream(folder_ + "/out.txt", std::ios::app) << label_->id << '\n';
  ++printed_;
  return std::exchange(label_, std::nullopt)->id;
}

void SimulatedPrinter::tend() {
  absent_ = caught_ = empty_ = false;
  printed_ = 0;
}

void SimulatedPrinter::pullOut() {
  absent_ = true;
  label_.reset();
}

std::optional<PrinterManner> printerManner(const std::string& word) {
  if (word == "prompt") return PrinterManner::Prompt;
  if (word == "slow") return PrinterManner::Slow;
  if (word == "no-paper") return PrinterManner::NoPaper;
  if (word == "jamming") return PrinterManner::Jamming;
  if (word == "unplugged") return PrinterManner::Unplugged;
  return std::nullopt;
}

}  // namespace pp

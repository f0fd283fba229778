#include "core/plan/record.h"

#include <fmt/format.h>

#include <algorithm>
#include <map>
#include <type_traits>
#include <utility>

#include "core/job/ids.h"

namespace pp {
namespace {

class Fingerprint {
 public:
  // Numbers, choices and yes or no.
  template <class T>
  void add(T whole) requires(std::is_integral_v<T> || std::is_enum_v<T>) {
    const auto value = static_cast<std::int64_t>(whole);
    for (int byte = 0; byte < 8; ++byte) {
      constexpr std::uint64_t kPrime = 1'099'511'628'211ULL;
      hash_ ^= static_cast<std::uint64_t>(value) >> (8 * byte) & 0xFFU;
      hash_ *= kPrime;
    }
  }
  void add(Length length) { add(length.inNm()); }
  void add(const std::string& text) {
    add(std::ssize(text));
    for (const char c : text) add(c);
  }
  template <class T>
  void add(const std::optional<T>& value) {
    add(value.has_value());
    if (value) add(*value);
  }
  std::string text() const { return fmt::format("{:016x}", hash_); }

 private:
  std::uint64_t hash_ = 14'695'981'039'346'656'037ULL;
};

}  // namespace

std::string fingerprint(const NestRequest& request) {
  Fingerprint out;
  std::map<std::string, std::int64_t> runs;  // by where they begin, not by what they are called
  out.add(std::ssize(request.parts));
  for (const PartDemand& part : request.parts) {
    out.add(part.length);
    out.add(part.width);
    out.add(part.thickness);
    out.add(part.material);
    out.add(part.quantity);
    out.add(part.grain);
    out.add(part.run.empty() ? std::int64_t{-1}
                             : runs.emplace(part.run, std::ssize(runs)).first->second);
    out.add(part.runOrder);
    out.add(part.mitred);
    out.add(part.shows);
    out.add(part.lot);
  }
  out.add(std::ssize(request.stock));
  for (const StockSupply& stock : request.stock) {
    out.add(stock.material);
    out.add(stock.thickness);
    out.add(stock.measured);
    out.add(stock.length);
    out.add(stock.width);
    out.add(stock.grain);
    out.add(stock.quantity);
    out.add(stock.price.inTenThousandths());
    out.add(stock.kind);
    out.add(stock.trim);
    out.add(stock.lot);
    out.add(stock.density);
  }
  out.add(std::ssize(request.pins));
  for (const Pin& pin : request.pins) {
    out.add(pin.part);
    out.add(pin.stock);
    out.add(pin.copies);
    out.add(pin.sheet);
    out.add(pin.place.has_value());
    if (!pin.place) continue;
    out.add(pin.place->x);
    out.add(pin.place->y);
    out.add(pin.place->turned);
  }
  out.add(std::ssize(request.shop.machines));
  for (const Machine& saw : request.shop.machines) {
    out.add(saw.name);  // the cuts of a plan say it
    out.add(saw.kind);
    out.add(saw.kerf);
    out.add(saw.longestCut);
    out.add(saw.reach);
    out.add(saw.longestPiece);
    out.add(saw.tilts);
  }
  out.add(request.shop.carryGrams);
  out.add(request.shop.carryLength);
  out.add(request.shop.cleaning);
  out.add(request.kerf);
  out.add(request.keepLong);
  out.add(request.keepShort);
  out.add(request.goal);
  out.add(request.ease.inTenThousandths());
  return out.text();
}

void reserve(Record& record, const Job& job) {
  for (const AssemblyCodes& row : job.codes) {
    const Assembly* assembly = row.assembly == 0 ? nullptr : findAssembly(job, row.assembly);
    if (assembly == nullptr && row.assembly != 0) continue;
    const std::string code = assembly == nullptr ? std::string(kLooseCode) : assembly->code;
    const auto known = std::find_if(
        record.codes.begin(), record.codes.end(),
        [&](const ReservedCodes& one) { return one.assembly == row.assembly && one.code == code; });
    if (known == record.codes.end())
      record.codes.push_back({row.assembly, code, row.last});
    else
      known->last = std::max(known->last, row.last);
  }
}

void raise(Job& job, const Record& record) {
  for (std::size_t i = 0; i < job.codes.size(); ++i) {
    const AssemblyCodes& row = std::as_const(job).codes[i];
    int last = row.last;
    for (const ReservedCodes& one : record.codes)
      if (one.assembly == row.assembly) last = std::max(last, one.last);
    if (last != row.last) job.codes[i].last = last;
  }
}

}  // namespace pp

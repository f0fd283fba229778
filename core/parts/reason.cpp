#include "core/parts/reason.h"

#include <fmt/format.h>

namespace pp {

Reason& Reason::plus(std::string name, Length value, std::int64_t times) {
  if (times != 0 && (value != Length{} || terms_.empty()))
    terms_.push_back({times, std::move(name), value});
  return *this;
}

Reason& Reason::minus(std::string name, Length value, std::int64_t times) {
  return plus(std::move(name), value, -times);
}

Reason Reason::of(std::vector<Term> terms, std::int64_t among) {
  Reason out;
  out.terms_ = std::move(terms);
  out.among_ = among;
  return out;
}

Reason Reason::shared(std::int64_t among) const {
  Reason out = *this;
  out.among_ = among;
  return out;
}

Length Reason::total() const {
  Length out;
  for (const Term& term : terms_) out += term.times * term.value;
  return out / among_;
}

std::string format(const Reason& reason, const LengthStyle& style) {
  std::string out;
  for (const Term& term : reason.terms()) {
    const std::int64_t count = term.times < 0 ? -term.times : term.times;
    if (!out.empty())
      out += term.times < 0 ? " − " : " + ";
    else if (term.times < 0)
      out += "−";
    if (count != 1) out += fmt::format("{} × ", count);
    out += fmt::format("{} {}", term.name, format(term.value, style));
  }
  if (reason.among() > 1) out = fmt::format("({}) ÷ {}", out, reason.among());
  return out + " = " + format(reason.total(), style);
}

}  // namespace pp

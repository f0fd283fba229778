#include "app/sentences/top.h"

namespace pp {

template <>
std::vector<Paragraph> sentence(const Saying& in, const Top& of) {
  return TopWriter(in.job, of).run();
}

template <>
QString remark(const Top& /*of*/) {
  return {};
}

}  // namespace pp

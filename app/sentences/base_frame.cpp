#include "app/sentences/writer.h"

namespace pp {
namespace {

class BaseFrameWriter : public SentenceWriter<BaseFrame> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The base frame is"));
    length(tr("width"), &BaseFrame::width);
    say(tr("wide,"));
    length(tr("depth"), &BaseFrame::depth);
    say(tr("deep and"));
    length(tr("height"), &BaseFrame::height);
    say(tr("high, of"));
    material(tr("frame material"), &BaseFrame::material);
    say(tr(", with cross pieces every"));
    length(tr("cross piece spacing"), &BaseFrame::crossEvery);
    say(tr("or less, in sections of at most"));
    length(tr("longest section"), &BaseFrame::longest);
    say(tr("."));
    begin();
    const bool legs = body_.legs > Length{};
    choice(tr("base legs"), {tr("Its rails stand on the floor"), tr("Legs hold its rails up by")},
           legs ? 1 : 0, [](BaseFrame& f, int i) { f.legs = i == 1 ? f.height / 2 : Length{}; });
    if (legs) {
      length(tr("rails above the floor"), &BaseFrame::legs);
      say(tr("; they are"));
      length(tr("leg width"), &BaseFrame::legWidth);
      say(tr("wide, of"));
      material(tr("leg material"), &BaseFrame::legMaterial, tr("the same"));
      say(tr(", inside the corners and never further apart than"));
      length(tr("leg spacing"), &BaseFrame::legEvery);
    }
    say(tr("."));
    return std::move(out_);
  }
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const BaseFrame& of) {
  return BaseFrameWriter(in.job, of).run();
}

template <>
QString remark(const BaseFrame& /*of*/) {
  return {};
}

}  // namespace pp

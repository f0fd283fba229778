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
    return std::move(out_);
  }
};

}  // namespace

std::vector<Paragraph> sentence(const Saying& in, const BaseFrame& of) {
  return BaseFrameWriter(in.job, of).run();
}

QString remark(const BaseFrame& /*of*/) {
  return {};
}

}  // namespace pp

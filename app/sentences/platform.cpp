#include "app/sentences/writer.h"

namespace pp {
namespace {

class PlatformWriter : public SentenceWriter<Platform> {
 public:
  using SentenceWriter::SentenceWriter;
  std::vector<Paragraph> run() {
    begin();
    say(tr("The platform is"));
    length(tr("width"), &Platform::width);
    say(tr("wide,"));
    length(tr("depth"), &Platform::depth);
    say(tr("deep and"));
    length(tr("height"), &Platform::height);
    say(tr("high, of"));
    material(tr("platform material"), &Platform::material);
    say(tr(". It is"));
    count(tr("boxes across"), &Platform::across, 1, 20);
    say(tr("boxes across and"));
    count(tr("boxes deep"), &Platform::deep, 1, 20);
    say(tr("deep, each with its own deck."));
    return std::move(out_);
  }
};

}  // namespace

std::vector<Paragraph> sentence(const Saying& in, const Platform& of) {
  return PlatformWriter(in.job, of).run();
}

QString remark(const Platform& /*of*/) {
  return {};
}

}  // namespace pp

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
    say(tr("deep, their ends"));
    choice<Joint>(tr("box joint"), body_.joint, [](Platform& p, Joint j) { p.joint = j; });
    if (body_.joint == Joint::Dado) {
      length(tr("dado depth"), &Platform::dadoDepth);
      say(tr("deep"));
    }
    say(tr("between the sides."));
    begin();
    choice(tr("deck or slats"), {tr("Each has a deck of its own"), tr("On them lie slats, in all")},
           body_.slats > 0 ? 1 : 0, [](Platform& p, int i) { p.slats = i == 1 ? 8 : 0; });
    if (body_.slats > 0) {
      count(tr("number of slats"), &Platform::slats, 2, 100);
      say(tr(", each"));
      length(tr("slat width"), &Platform::slat);
      say(tr("wide, at equal gaps of %1")
              .arg(figure((body_.depth - body_.slats * body_.slat) / (body_.slats - 1), style_)));
    }
    say(tr(", of"));
    material(tr("deck material"), &Platform::deckMaterial, tr("the same"));
    say(tr("."));
    return std::move(out_);
  }
};

}  // namespace

template <>
std::vector<Paragraph> sentence(const Saying& in, const Platform& of) {
  return PlatformWriter(in.job, of).run();
}

template <>
QString remark(const Platform& /*of*/) {
  return {};
}

}  // namespace pp

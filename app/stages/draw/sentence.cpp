#include "app/stages/draw/sentence.h"

#include <algorithm>

#include "app/stages/draw/sentence_writer.h"

namespace pp {
namespace {

struct Describer {
  const Job& job;
  const Assembly& assembly;
  const std::optional<OpeningPath>& selected;

  std::vector<Paragraph> operator()(const Carcass&) const {
    return describeCarcass(job, assembly, selected);
  }
  std::vector<Paragraph> operator()(const CarcassGroup& b) const { return describeGroup(job, b); }
  std::vector<Paragraph> operator()(const Top& b) const { return describeTop(job, b); }
  std::vector<Paragraph> operator()(const BaseFrame& b) const { return describeBaseFrame(job, b); }
  std::vector<Paragraph> operator()(const WallPanel& b) const { return describeWallPanel(job, b); }
  std::vector<Paragraph> operator()(const SeatBox& b) const { return describeSeatBox(job, b); }
  std::vector<Paragraph> operator()(const Platform& b) const { return describePlatform(job, b); }
  std::vector<Paragraph> operator()(const Ring& b) const { return describeRing(job, b); }
  std::vector<Paragraph> operator()(const Boards& b) const { return describeBoards(job, b); }
};

QString jointRemark(Joint joint) {
  switch (joint) {
    case Joint::Dado:
      return QObject::tr(
          "Dados cost settings at the saw and save time at glue-up: the case holds "
          "itself square.");
    case Joint::Pocket:
      return QObject::tr(
          "Pocket screws are quick; they need a hidden face and room for the driver.");
    case Joint::LooseTenon:
    case Joint::Dowel:
      return QObject::tr("Nothing shows outside; every mortise costs a setting and must line up.");
    case Joint::Brads:
      return QObject::tr("Brads only hold while the glue dries: for boxes and light shop work.");
    case Joint::Butt:
      break;
  }
  return QObject::tr(
      "Butt joints need no machining; clamp square and mark every panel's place "
      "before driving screws.");
}

// What is said of every assembly: how many of it there are and how it is finished.
Paragraph howMany(const Job& job, const Assembly& assembly) {
  const auto words = [](const QString& text) {
    Phrase out;
    out.text = text;
    return out;
  };
  Phrase copies;
  copies.name = QObject::tr("copies");
  copies.text = copies.typed = QString::number(assembly.copies);
  copies.setText = [](Assembly& a, const QString& text) -> Problems {
    const auto n = parseCount(text.trimmed().toStdString(), 1, 1'000);
    if (!n) return n.problems();
    a.copies = *n;
    return {};
  };
  Phrase finish;
  finish.name = QObject::tr("finish");
  finish.choices = {QObject::tr("left bare"), QObject::tr("finished clear"), QObject::tr("painted"),
                    QObject::tr("stained")};
  finish.chosen = static_cast<int>(assembly.finish);
  finish.text = finish.choices[finish.chosen];
  finish.choose = [](Assembly& a, int i) { a.finish = static_cast<Finish>(i); };
  Paragraph out = {copies, words(QObject::tr("of it are built. It is")), finish};
  std::vector<std::string> lots = {""};
  for (const StockPiece& piece : job.stock)
    if (piece.measured && !piece.lot.empty() &&
        std::find(lots.begin(), lots.end(), piece.lot) == lots.end())
      lots.push_back(piece.lot);
  // A group's members say theirs.
  if (lots.size() > 1 && !std::holds_alternative<CarcassGroup>(assembly.body)) {
    Phrase lot;
    lot.name = QObject::tr("lot");
    lot.choices = {QObject::tr("any lot")};
    for (std::size_t i = 1; i < lots.size(); ++i)
      lot.choices << QObject::tr("lot %1").arg(qs(lots[i]));
    const auto at = std::find(lots.begin(), lots.end(), assembly.lot);
    lot.chosen = at == lots.end() ? 0 : static_cast<int>(at - lots.begin());
    lot.text = lot.choices[lot.chosen];
    lot.choose = [lots](Assembly& a, int i) { a.lot = lots[static_cast<std::size_t>(i)]; };
    out.push_back(words(QObject::tr(", cut from")));
    out.push_back(lot);
  }
  out.push_back(words(QObject::tr(".")));
  return out;
}

}  // namespace

std::vector<Paragraph> describe(const Job& job, const Assembly& assembly,
                                const std::optional<OpeningPath>& selected) {
  std::vector<Paragraph> out = std::visit(Describer{job, assembly, selected}, assembly.body);
  out.push_back(howMany(job, assembly));
  return out;
}

QString remark(const AssemblyBody& body) {
  if (const auto* carcass = std::get_if<Carcass>(&body)) {
    if (carcass->cleat)
      return QObject::tr(
          "Hung units are screwed into studs or masonry: follow the local code, and "
          "ask someone licensed where the wall is in doubt.");
    return jointRemark(carcass->joint);
  }
  if (std::holds_alternative<WallPanel>(body))
    return QObject::tr(
        "The wall's half of every cleat goes into studs or masonry: follow the local "
        "code.");
  if (const auto* ring = std::get_if<Ring>(&body))
    return QObject::tr(
               "All %1 pieces come from one stop with one bevel; cut a test ring of scrap "
               "first, an error shows %1 times.")
        .arg(ring->pieces);
  if (std::holds_alternative<SeatBox>(body))
    return QObject::tr("Lids want a stay, and finger room at the front.");
  return {};
}

}  // namespace pp

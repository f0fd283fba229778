#include "words/figures.h"

#include <QObject>

namespace pp {

QString areaFigure(double squareMetres, Unit unit) {
  constexpr double kSquareFeet = 10.7639104;
  return unit == Unit::Inch ? QObject::tr("%1 sq ft").arg(squareMetres * kSquareFeet, 0, 'f', 1)
                            : QObject::tr("%1 m²").arg(squareMetres, 0, 'f', 2);
}

QString runFigure(Length length, Unit unit) {
  constexpr double kFoot = 304.8, kMetre = 1000;
  return unit == Unit::Inch ? QObject::tr("%1 ft").arg(length.inMm() / kFoot, 0, 'f', 1)
                            : QObject::tr("%1 m").arg(length.inMm() / kMetre, 0, 'f', 1);
}

QString weightFigure(double grams, Unit unit) {
  constexpr double kPound = 453.59237, kKilogram = 1000;
  return unit == Unit::Inch ? QObject::tr("%1 lb").arg(grams / kPound, 0, 'f', 0)
                            : QObject::tr("%1 kg").arg(grams / kKilogram, 0, 'f', 0);
}

QString counted(std::int64_t n, const QString& one, const QString& many) {
  return QStringLiteral("%1 %2").arg(n).arg(n == 1 ? one : many);
}

QString qs(const std::string& text) {
  return QString::fromStdString(text);
}

QString figure(Length length, const LengthStyle& style) {
  return qs(format(length, style));
}

QString figureWithUnit(Length length, const LengthStyle& style) {
  return qs(formatWithUnit(length, style));
}

QString figures(Length a, Length b, const LengthStyle& style) {
  return figure(a, style) + QStringLiteral(" × ") + figure(b, style);
}

QString offTip(Length length, const LengthStyle& style) {
  const Length off = offShown(length, style);
  if (off == Length{}) return {};
  const bool more = off > Length{};
  return QObject::tr(more ? "%1 more than shown: exactly %2" : "%1 less than shown: exactly %2")
      .arg(qs(formatExact(more ? off : -off, Unit::Millimetre)),
           qs(formatExact(length, style.unit)));
}

QString withoutWedge(QString figure) {
  return figure.remove(QStringLiteral("▴")).remove(QStringLiteral("▾"));
}

qsizetype wholeOf(const QString& figure) {
  constexpr char16_t kMinus = 0x2212;
  qsizetype end = 0;
  while (end < figure.size() && (figure[end].isDigit() || figure[end] == QChar(kMinus))) ++end;
  const bool fractionAlone = end < figure.size() && figure[end] == QLatin1Char('/');
  return fractionAlone ? 0 : end;
}

QString widestTail(const LengthStyle& style) {
  constexpr int kTwoDigits = 10;
  if (style.unit == Unit::Inch)
    return style.denominator < kTwoDigits ? QStringLiteral(" 7/8▴") : QStringLiteral(" 15/16▴");
  return style.decimals > 0
             ? QLatin1Char('.') + QString(style.decimals, QLatin1Char('0')) + QStringLiteral("▴")
             : QStringLiteral("▴");
}

QString typed(Length length, const LengthStyle& style) {
  return qs(offShown(length, style) == Length{} ? format(length, style)
                                                : formatExact(length, style.unit));
}

QString nameWithHand(const Part& part) {
  const QString name = qs(part.name);
  switch (part.hand) {
    case Hand::Left:
      return QObject::tr("%1, left hand").arg(name);
    case Hand::Right:
      return QObject::tr("%1, right hand").arg(name);
    case Hand::None:
      break;
  }
  return name;
}

QStringList sidesOf(const Part& part, bool banded) {
  QStringList out;
  for (const Edge edge : kEdges) {
    const auto i = static_cast<std::size_t>(edge);
    if (part.bands[i].empty() != banded) out << qs(sideName(part.edges[i]));
  }
  return out;
}

QString materialName(const Material& material, const LengthStyle& style) {
  return qs(material.name) + QLatin1Char(' ') + figure(material.nominal, style);
}

}  // namespace pp

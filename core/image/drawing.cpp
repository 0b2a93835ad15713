// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/image/drawing.h"

#include <QBuffer>
#include <QImageReader>
#include <QXmlStreamReader>
#include <map>
#include <vector>

#include "core/image/completeness.h"

namespace gorsefinch {

namespace {

constexpr const char* kEmbed = "Embed what it needs and export it again";

class DrawingInspector {
  public:
    DrawingInspector(const std::string& svg, const std::string& file)
        : reader_(QByteArray::fromRawData(svg.data(), static_cast<qsizetype>(svg.size()))), file_(file) {}

    Result<DrawingNeeds> run() {
        nodes_.push_back({});
        open_.push_back(0);
        while (!reader_.atEnd() && !error_)
            token();
        if (!error_ && reader_.hasError())
            refuse("its XML is broken: " + reader_.errorString().toStdString(), "Export it again");
        if (!error_)
            checkUses();
        if (error_)
            return tl::unexpected(*error_);
        return needs_;
    }

  private:
    // An element with its child elements and the ids that it uses.
    struct Node {
        size_t elements = 0;
        std::vector<std::string> uses;
        std::vector<size_t> inner;
    };

    void refuse(const std::string& reason, const std::string& remedy) {
        error_ = Error{file_, "line " + std::to_string(reader_.lineNumber()), reason, remedy};
    }

    void token() {
        switch (reader_.readNext()) {
            case QXmlStreamReader::StartElement: start(); break;
            case QXmlStreamReader::EndElement: open_.pop_back(); break;
            case QXmlStreamReader::ProcessingInstruction:
                if (reader_.processingInstructionTarget() == u"xml-stylesheet")
                    refuse("it takes its style from another file", kEmbed);
                break;
            default: break;
        }
    }

    void start() {
        if (open_.size() > static_cast<size_t>(kMaxDrawingDepth))
            return refuse("its elements are nested deeper than " + std::to_string(kMaxDrawingDepth) + " levels",
                          "Simplify it");
        if (nodes_.size() > kMaxDrawnElements)
            return refuse("it has more than " + std::to_string(kMaxDrawnElements) + " elements",
                          "Simplify it, or export it as PNG");
        const size_t number = nodes_.size();
        nodes_.push_back({1, {}, {}});
        nodes_[open_.back()].inner.push_back(number);
        open_.push_back(number);
        const auto name = reader_.name();
        needs_.fonts = needs_.fonts || name == u"text" || name == u"textArea" || name == u"tspan";
        for (const QXmlStreamAttribute& attribute : reader_.attributes()) {
            if (attribute.name() == u"id")
                ids_[attribute.value().toString().toStdString()].push_back(number);
            else if (attribute.name() == u"href" && name != u"a")
                reference(name, attribute.value().trimmed().toString());
        }
    }

    void reference(QStringView element, const QString& to) {
        if (to.isEmpty())
            return;
        if (to.startsWith('#')) {
            if (element == u"use")
                nodes_.back().uses.push_back(to.mid(1).toStdString());
            if (element != u"image")
                return;
        }
        if (element == u"image" && to.startsWith("data:"))
            return embedded(to);
        refuse("it refers to another file, " + to.left(80).toStdString(), kEmbed);
    }

    void embedded(const QString& data) {
        const QString mark = "base64,";
        const qsizetype at = data.lastIndexOf(mark);
        QByteArray bytes = at < 0 ? QByteArray() : QByteArray::fromBase64(data.mid(at + mark.size()).toLatin1());
        QBuffer buffer(&bytes);
        buffer.open(QIODevice::ReadOnly);
        const QByteArray format = QImageReader::imageFormat(&buffer);
        static const QList<QByteArray> known{"png", "jpeg", "gif", "bmp", "webp"};
        if (known.contains(format) &&
            isCutOff({bytes.constData(), static_cast<size_t>(bytes.size())}, format.toStdString()))
            return refuse("a picture embedded in it is cut off", "Embed it again and export it again");
        QImageReader picture(&buffer, format);
        const QSize size = known.contains(format) ? picture.size() : QSize();
        if (size.isEmpty())
            return refuse("a picture embedded in it is no PNG, JPEG, GIF, BMP or WebP", kEmbed);
        embeddedPixels_ += int64_t{size.width()} * size.height();
        if (embeddedPixels_ > kMaxEmbeddedPixels)
            return refuse("the pictures embedded in it have more than 16 megapixels", "Make them smaller");
        // If it is broken, the toolkit takes the reference for a file name.
        if (picture.read().isNull())
            refuse("a picture embedded in it is broken", "Embed it again and export it again");
    }

    // Returns the number of elements drawn for a node, or more than the limit. Ids may be defined after their use.
    size_t drawn(size_t number, int depth) {
        if (depth > 2 * kMaxDrawingDepth || visiting_[number]) {
            cyclic_ = cyclic_ || visiting_[number];
            return kMaxDrawnElements + 1;
        }
        if (counted_[number] != 0)
            return counted_[number];
        visiting_[number] = true;
        size_t sum = nodes_[number].elements;
        for (const size_t inner : nodes_[number].inner)
            if (sum <= kMaxDrawnElements)
                sum += drawn(inner, depth + 1);
        for (const std::string& use : nodes_[number].uses)
            if (const auto found = ids_.find(use); found != ids_.end())
                for (const size_t named : found->second)
                    if (sum <= kMaxDrawnElements)
                        sum += drawn(named, depth + 1);
        visiting_[number] = false;
        return counted_[number] = sum;
    }

    void checkUses() {
        counted_.assign(nodes_.size(), 0);
        visiting_.assign(nodes_.size(), false);
        if (drawn(0, 0) <= kMaxDrawnElements)
            return;
        if (cyclic_)
            refuse("a part of it contains itself", "Take that reference out");
        else
            refuse("it draws more than " + std::to_string(kMaxDrawnElements) + " elements",
                   "Simplify it, or export it as PNG");
    }

    QXmlStreamReader reader_;
    const std::string& file_;
    DrawingNeeds needs_;
    std::optional<Error> error_;
    std::vector<Node> nodes_;                         // the first one is the document
    std::vector<size_t> open_;                        // the elements that are not closed yet
    std::map<std::string, std::vector<size_t>> ids_;  // readers differ in which of two equal ids they use
    int64_t embeddedPixels_ = 0;
    std::vector<size_t> counted_;  // 0: not yet
    std::vector<bool> visiting_;
    bool cyclic_ = false;
};

}  // namespace

Result<DrawingNeeds> inspectDrawing(const std::string& svg, const std::string& file) {
    return DrawingInspector(svg, file).run();
}

}  // namespace gorsefinch

// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/rules/references.h"
#include "core/rules/clock_fields.h"

#include <algorithm>

#include "core/rules/rule_words.h"

namespace gorsefinch {

namespace {

// Collects the references of a line; the last word of a line is always an End.
class ReferenceReader {
  public:
    explicit ReferenceReader(const std::vector<Token>& tokens) : tokens_(tokens) {}

    std::vector<Reference> line() {
        const Token& first = tokens_[0];
        const bool isAssigned = at(1).is("=") || at(1).is(".");
        if (first.is("on"))
            expressionFrom(event());
        else if (first.is("every"))
            expressionFrom(3);  // a number and its unit
        else if (isAssigned)
            expressionFrom(0);  // whatever the name is that gets a value
        else if (first.is("when") || first.is("otherwise") || first.is("back"))
            expressionFrom(1);
        else if (first.is("go"))
            add(Reference::What::Screen, 1);
        else if (first.is("call"))
            expressionFrom(2);
        else if (first.type == TokenType::Name && isAboutWidget(first.text))
            widgetPath(1, namesFrom(1));
        else
            expressionFrom(0);
        return std::move(found_);
    }

    std::vector<Reference> expression() {
        expressionFrom(0);
        return std::move(found_);
    }

  private:
    const Token& at(size_t i) const { return tokens_[std::min(i, tokens_.size() - 1)]; }

    void add(Reference::What what, size_t token, const std::string& screen = {}) {
        if (at(token).type == TokenType::Name)
            found_.push_back({what, token, screen});
    }

    // How many names with points between them begin at word i.
    size_t namesFrom(size_t i) const {
        size_t count = 0;
        while (at(i).type == TokenType::Name) {
            ++count;
            if (!at(i + 1).is("."))
                break;
            i += 2;
        }
        return count;
    }

    // [screen.]widget of so many names.
    void widgetPath(size_t i, size_t names) {
        if (names > 1) {
            add(Reference::What::Screen, i);
            add(Reference::What::Widget, i + 2, at(i).text);
        } else if (names == 1) {
            add(Reference::What::Widget, i);
        }
    }

    // What follows "on"; returns the position after it.
    size_t event() {
        const size_t names = namesFrom(1);
        if (names == 2 && findEvent(screenEvents(), at(3).text))
            add(Reference::What::Screen, 1);
        else if (names > 1)
            widgetPath(1, names - 1);
        return 1 + 2 * names;
    }

    void expressionFrom(size_t i) {
        int choices = 0;  // ? that wait for their :
        while (i + 1 < tokens_.size()) {
            choices += at(i).is("?") - at(i).is(":");
            if (choices < 0)
                return;  // what follows the : of an inset says how it is shown
            const size_t names = namesFrom(i);
            if (names == 2 && at(i).is(kClockName) && clockField(at(i + 2).text))
                ;
            else if (names > 1)
                widgetPath(i, names - 1);
            else if (names == 1 && !isValueWord(at(i).text))
                add(Reference::What::Variable, i);
            i += names > 0 ? 2 * names - 1 : 1;
        }
    }

    const std::vector<Token>& tokens_;
    std::vector<Reference> found_;
};

}  // namespace

std::vector<Reference> referencesInLine(const std::vector<Token>& tokens) { return ReferenceReader(tokens).line(); }
std::vector<Reference> referencesInExpression(const std::vector<Token>& tokens) {
    return ReferenceReader(tokens).expression();
}

}  // namespace gorsefinch

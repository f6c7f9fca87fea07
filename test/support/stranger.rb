# frozen_string_literal: true

# Judges what the ear made of a line against what somebody who did not know the grammar says that it means. A row has the line, `asked`, and
#
#   heard     trait => value | {from, to} | {over} | {under} | {any: [...]} | "not:x" | "unknown"; a trait with ? may be heard, with ! be denied
#   work      areas asked for, "*" for any; pumps; complaints (a list inside is any of these) and those that `may` be heard; measured
module Stranger
  Reading = Gimlet::Core::Readings::Reading
  Plate = Gimlet::Core::Readings::PlateMatch
  # What was expected and not heard, what was heard and not meant, whether a choice had to be offered.
  Verdict = Gimlet::Core::Value.of(:lacking, :wrong, :by_choice) do
    def full? = lacking.empty? && wrong.empty?
  end

  # One line, judged.
  class Judge
    def initialize(row, found, vocabulary)
      @row = row
      @found = found
      @vocabulary = vocabulary
      @want = row["heard"] || {}
      @chosen = []
    end

    def call
      lacking = lacking_readings + lacking_work + lacking_complaints + lacking_measures
      Verdict.new(lacking: lacking, wrong: wrong_readings + wrong_work + wrong_complaints, by_choice: @chosen.any?)
    end

    private

    # What no pump can have is refused with a sentence: nothing is heard.
    def readings(items)
      items.flat_map { |item| item.readings || [] }.filter_map do |fields|
        Reading.from(fields, @vocabulary)
      rescue Gimlet::Core::InputError
        nil
      end
    end

    def heard = @heard ||= readings(@found.items)
    def offered = @offered ||= @found.choices.flat_map { |choice| choice.options.flatten }

    # A choice that holds the right one counts.
    def had?(thing)
      return true if yield(@found.items)

      yield(offered).tap { |held| @chosen << thing if held }
    end

    def lacking_readings
      must = @want.reject { |id, _| id.end_with?("?", "!") }
      must.reject { |id, want| had?(id) { |items| readings(items).any? { |one| one.trait == id && means?(one, want) } } }.keys
    end

    def wrong_readings
      heard.reject do |one|
        allowed = @want.values_at(one.trait, "#{one.trait}?").compact.any? { |want| means?(one, want) }
        allowed || (one.denied && @want.key?("#{one.trait}!") && means?(one.class.new(**one.to_h, denied: nil), @want["#{one.trait}!"]))
      end.map(&:to_s)
    end

    def work = @row["work"] || []

    def lacking_work
      lacking = work == "*" ? [] : work.reject { |area| had?(area) { |items| items.any? { |item| item.areas&.include?(area) } } }
      lacking + (@row.fetch("pumps", 1) != 1 && @found.pumps != @row["pumps"] ? ["pumps"] : [])
    end

    def wrong_work = work == "*" ? [] : @found.scope - work

    def lacking_complaints
      (@row["complaints"] || []).reject do |ids|
        had?(ids) { |items| items.any? { |item| Array(ids).include?(item.complaint) } }
      end
    end

    def wrong_complaints = @found.complaints - [*@row["complaints"], *@row["may"], *@row["complaints?"]].flatten

    def lacking_measures
      (@row["measured"] || []).reject { |want| had?(want) { |items| items.filter_map(&:measure).any? { |measure| measures?(want, measure) } } }
    end

    def measures?(want, told)
      return false unless told["what"] == want["what"]

      sizes = told["measure"]["bucket"] || told["measure"]
      want.except("what").all? { |name, size| measured?(sizes, name, size) }
    end

    def measured?(sizes, name, want)
      return want.all? { |inner, size| measured?(sizes["gland"] || {}, inner, size) } if name == "gland"
      return sizes[name].to_s.end_with?(want) if want.is_a?(String)
      return near?(mm(sizes["inner_mm"]) + (2 * mm(sizes["section_mm"])), want) if name == "outer_mm" && sizes["outer_mm"].nil?

      near?(mm(sizes[name]), want)
    end

    def mm(text)
      size = text.to_s.tr(",", ".").split.grep(/\d/).sum { |part| Rational(part) }
      text.to_s.match?(/in|"/) ? size * 254 / 10 : size
    end

    def means?(reading, want)
      case want
      when Hash then spans?(reading, want)
      when "unknown" then reading.unknown
      when /\Anot:/ then reading.denied && means?(reading.class.new(**reading.to_h, denied: nil), figure(want.delete_prefix("not:")))
      else want == 1 || plainly?(reading, want)
      end
    end

    def figure(text) = text.match?(/\A[\d.]+\z/) ? text.to_f : text

    def plainly?(reading, want)
      return false if reading.denied || reading.unknown || reading.range
      return near?(reading.value, want) if [reading.value, want].all?(Numeric)

      said = reading.value.to_s
      said.casecmp?(want.to_s) || Plate.plain(said) == Plate.plain(want.to_s) || want.to_s.split.drop(1).join(" ") == said
    end

    def spans?(reading, want)
      return want["any"].any? { |one| means?(reading, one) } if want["any"]

      low, high = reading.range
      if want["under"] then low.nil? && high&.between?(want["under"] - 1.01, want["under"])
      elsif want["over"] then high.nil? && low&.between?(want["over"], want["over"] + 1.01)
      elsif low && high then near?(low, want["from"]) && near?(high, want["to"])
      else reading.value.is_a?(Numeric) && reading.value.between?(want["from"], want["to"])
      end
    end

    def near?(one, two) = (one.to_f - two.to_f).abs <= [0.06, 0.004 * two.to_f.abs].max
  end
end

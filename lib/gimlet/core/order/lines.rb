# frozen_string_literal: true

require_relative "../value"
require_relative "order"
require_relative "parts"

module Gimlet::Core
  class Order
    # The lines of an order that are ticked, in the order of the work: bench and card have them from here. `key` names a section.
    #
    #   Lines.of(record).find { |section| section.key == "open" }.lines.first.strong # => "Manifold"
    module Lines
      # `afterwards` is what comes when everything is tight. `cautions` are rows of text, picture and title, due before all its lines or one.
      Section = Value.of(:key, :title, :lines, :afterwards, :cautions)
      # `stacks` and `fasteners` are ids of what is drawn and tightened at a step.
      CardLine = Value.of(:strong, :sentences, :boxes, :stacks, :fasteners, :cautions) do
        # @return [String] all that is said, in one
        def text = sentences.join(" ")
      end
      # `id` stays what it is, as the record does; `label` says what the box is for where a line has several.
      Box = Value.of(:id, :label)

      # One box for the whole line.
      DONE = [nil].freeze

      module_function

      # @param record [Hash] of the present version
      # @return [Array<Section>] without those that have no line
      def of(record)
        sections = [
          ["part", "On the bench: parts", parts(record)], ["held", "Along in case: bring back what is not used", held(record)],
          ["tool", "On the bench: tools", tools(record)], ["used", "What is used up", used(record)],
          ["open", "Take apart", steps(record, "open")], ["out", "Count these out of the bores: left behind, they leak", count_out(record)],
          ["look", "Look over: what passes goes back", looked_over(record)], ["back", "These go back in: throw none away", put_back(record)],
          ["renew", "Renew", steps(record, "renew")], ["close", "Close", steps(record, "close")],
          ["finish", "Start again", steps(record, "finish", "after running")]
        ]
        due = due(record, sections.reject { |_, _, lines| lines.empty? })
        sections.map { |key, title, lines| section(key, title, lines, due) }.reject { |section| section.lines.empty? }
      end

      # @return [Hash] cautions by [section, the bold words of its line, nil for all of it]; what has no place of its own comes first of all
      def due(record, sections)
        places = sections.flat_map { |key, _, lines| [[key, nil], *lines.map { |line| [key, line.first] }] }
        record["cautions"].zip(record["signs"]).map { |text, sign| { "text" => text, **sign } }.group_by do |one|
          at = [one["before"], one["at"] && sentence(one["at"])]
          [at, [one["before"], nil]].find { |place| places.include?(place) } || places.first
        end
      end

      # @param lines [Array<Array>] strong, what is said, what each box is for, ids of stacks, ids of fasteners
      def section(key, title, lines, due)
        numbered = lines.map.with_index(1) do |(strong, said, labels, stacks, fasteners), at|
          boxes = labels.map.with_index(1) { |label, box| Box.new(id: "#{key} #{at}.#{box}", label: label) }
          CardLine.new(strong: strong, sentences: Array(said).reject(&:empty?), stacks: stacks || [], fasteners: fasteners || [], boxes: boxes,
                       cautions: cautions(due.delete([key, strong])))
        end
        Section.new(key: key, title: title, afterwards: key == "finish", lines: numbered, cautions: cautions(due[[key, nil]]))
      end

      def cautions(rows) = (rows || []).map { |row| row.slice("text", "picture", "title") }

      def parts(record)
        Parts.new(record).rows.map do |quantity, number, name, serves|
          ["#{quantity} × #{number}", serves.empty? ? name : "#{name}; #{serves}", DONE]
        end
      end

      def held(record) = record["held"].map { |row| ["#{row['quantity']} × #{row['part']}", row["name"], DONE] }
      def tools(record) = record["tools"].map { |tool| [tool["name"], about(tool), DONE] }

      # "PW-T11, lent: bring it back · head bolts M8 · makeshift: two long bolts"
      def about(tool)
        goes = { "lent" => "lent: bring it back", "sold" => "sold" }[tool["how"]]
        number = [tool["number"], goes, ("the customer's own" if tool["has"] && tool["kind"] != "torque wrench")].compact.join(", ")
        [(number unless number.empty?), tool["why"], tool["substitute"] && "makeshift: #{tool['substitute']}"].compact.join(" · ")
      end

      def used(record)
        record["consumables"].map do |row|
          [row["name"], [row["how_much"], row["packs"] && "#{row['packs']} × #{row['number']}"].compact.join(" · "), DONE]
        end
      end

      def steps(record, *phases)
        record["steps"].select { |step| phases.include?(step["phase"]) }.map do |step|
          [sentence(step["title"]), [*step["text"], in_hand(step)].compact, DONE, step["stacks"], step["fasteners"]]
        end
      end

      # What its sentences do not name themselves.
      def in_hand(step)
        tools = step["tools"].reject { |name| step["text"].any? { |text| text.include?(name) } }
        "In hand: #{tools.join('; ')}." if tools.any?
      end

      def count_out(record)
        record["count_out"].group_by { |row| row["pieces"] }.map { |pieces, same| [pieces.join(", "), "", same.map { |row| row["position"] }] }
      end

      def looked_over(record)
        record["keep"].reject do |row|
          row["look"].empty?
        end.map { |row| [sentence(row["name"]), "#{row['to_do']}. #{row['look'].join('; ')}.", places(row)] }
      end

      def put_back(record)
        record["keep"].select { |row| row["look"].empty? }.map { |row| [row["name"], row["to_do"], places(row)] }
      end

      def sentence(name) = name.sub(/\A./, &:upcase)
      def places(row) = row["positions"] || [row["where"]]
    end
  end
end

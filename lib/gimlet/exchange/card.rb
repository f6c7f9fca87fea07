# frozen_string_literal: true

require "time"
require_relative "../core/5_demand/positions"
require_relative "../core/9_plan/cautions"
require_relative "fastener_entry"
require_relative "paper"
require_relative "parts_lines"
require_relative "stack_entry"

module Gimlet
  module Exchange
    # The work card: what the customer takes to the bench, readable in black and white.
    class Card
      RULE = "999999"
      SMALL = 8
      BODY = 8.5
      BOX = "[  ] "

      # @param order [Hash] as Store::Orders gives it, with its `record` of the present version
      # @param paper [String] of Paper::SIZES
      # @return [String] the PDF
      def self.call(order, paper: "A4") = new(order, paper).render

      def initialize(order, paper)
        @order = order
        @record = order[:record]
        @pdf = Paper.blank("Work card, order #{order[:id]}", paper)
        @pdf.font_size BODY
        @pdf.default_leading 1
      end

      # @return [String]
      def render
        title
        cautions
        parts
        side_by_side(["These go back in: throw none away", keep], ["Count these out of the bores", count_out])
        tools
        steps
        stacks
        refit
        tightening
        footer
        @pdf.render
      end

      private

      def title
        @pdf.text "Work card · order #{@order[:id]}", size: 16, style: :bold
        @pdf.text [@order[:customer], date].compact.join(" · "), size: SMALL
        @pdf.move_down 4
        @pdf.text pump, size: 13, style: :bold
        @pdf.text "#{(@record['sure'] * 100).floor} % sure of this order. The same order serves: #{@record['models'].join(', ')}."
        @pdf.text "Seen: #{@record['seen'].join('; ')}.", size: SMALL
        @pdf.text "Work: #{areas}. #{pumps}Manual: #{@record['pump']['manual']}."
        remarks.each { |text| @pdf.text "! #{text}", style: :bold }
      end

      # What the specialist knew to be open when the order was placed.
      def remarks
        work = @record["work"]
        [("Complaint: #{work['complaints'].join(', ')}." if work["complaints"].any?),
         ("How far: #{@record['extent']['name']}. #{@record['extent']['warning']}" if @record.dig("extent", "warning")),
         *left_out, *work["found"].map { |text| "Found: #{text}." },
         ("Placed though not sure: #{@record['reason']}." if @record["reason"])]
          .compact + @record["doubts"].map { |one| "#{one['text']}: stands, #{one['reason']}." } + @record["assumptions"] + not_on_file
      end

      def left_out
        @record["left_out"].map { |id, why| "Left out: #{id.tr('_', ' ')}, though #{why}." }
      end

      def pump
        one = @record["pump"]
        serials = ", serials #{one['serials']}" if one["serials"]
        "#{one['maker']} #{one['model']}#{serials}"
      end

      def date = Time.parse(@order[:created_at].to_s).strftime("%-d %B %Y")
      def areas = @record["work"]["areas"].map { |one| one["name"] }.join(", ")
      def pumps = @record["work"]["pumps"] > 1 ? "For #{@record['work']['pumps']} pumps. " : ""

      def not_on_file
        @record["work"]["not_on_file"].map { |name| "Nothing on file for #{name}: see the manual." }
      end

      def cautions
        section "Before you start"
        @record["cautions"].each { |text| bullet text }
      end

      def parts
        section "Parts (#{@record['parts']['plan']})"
        lines = PartsLines.new(@record)
        grid([%w[Qty Number Name Serves], *lines.rows], [52, 80, 180, nil])
        @pdf.move_down 3
        lines.lacking.each { |text| bullet text, style: :bold }
        lines.remarks.each { |text| bullet text }
      end

      def keep
        @record["keep"].map { |one| "– #{one['name']} (#{one['where']})#{": #{one['to_do']}" unless one['fate'] == 'keep'}#{look(one)}" }
      end

      def look(one)
        one["look"].any? ? ". #{one['look'].join('; ')}" : ""
      end

      def count_out
        @record["count_out"].group_by { |one| one["pieces"] }.map do |pieces, same|
          "#{BOX * same.size}#{Core::Positions.short(same.map { |one| one['position'] })}: #{pieces.join(', ')}"
        end
      end

      def tools
        section "Tools"
        @pdf.text (tool_names + consumables).join("   "), size: SMALL
      end

      def tool_names = @record["tools"].map { |one| "#{one['has'] ? 'own: ' : BOX}#{[one['name'], one['number']].compact.join(' · ')}" }

      def consumables
        @record["consumables"].map do |one|
          "#{BOX}#{one['amount']} #{one['unit']} #{one['name']}#{" (#{one['packs']} × #{one['number']})" if one['packs']}"
        end
      end

      def steps
        section "Off, and on again"
        @record["steps"].each.with_index(1) do |one, at|
          @pdf.text "#{at}. <b>#{one['title'].capitalize}</b>: #{one['text'].join(' ')}", size: SMALL, inline_format: true
        end
      end

      def stacks
        section "Which way round: black is renewed, grey looked over, white put back"
        @record["stacks"].each { |one| StackEntry.new(@pdf, one).draw }
      end

      def tightening
        section "Tightening"
        @record["tightening"].each { |one| FastenerEntry.new(@pdf, one).draw }
      end

      def refit
        one = @record["refit"] or return
        section "Before the manifold goes on"
        @pdf.text one["text"], style: :bold
        @pdf.text "#{one['plungers'].map { |plunger| plunger_out(plunger) }.join('; ')}."
      end

      def plunger_out(one)
        "Plunger #{one['cylinder']} stands #{one['out_mm']} mm out of its innermost position#{', enters first' if one['first']}"
      end

      def footer
        (1..@pdf.page_count).each do |page|
          @pdf.go_to_page(page)
          foot([@pdf.bounds.left, -8], Core::Plan::Cautions::DEFERRAL, :left)
          foot([@pdf.bounds.right - 160, -8], "#{page}/#{@pdf.page_count} · catalogue #{@record['catalogue_version']}", :right)
        end
      end

      def foot(at, text, align)
        @pdf.text_box(text, at: at, width: align == :left ? @pdf.bounds.width - 160 : 160, height: 12, size: SMALL, align: align)
      end

      def section(name)
        @pdf.move_down 6
        @pdf.start_new_page if @pdf.cursor < 60
        @pdf.text name, style: :bold, size: 10.5
        @pdf.stroke_color RULE
        @pdf.stroke_horizontal_rule
        @pdf.move_down 3
      end

      # @param columns [Array<Array(String, Array<String>)>] a heading and its lines
      def side_by_side(*columns)
        @pdf.move_down 6
        cells = columns.map { |heading, lines| "<b>#{heading}</b>\n#{lines.join("\n")}" }
        @pdf.table([cells], width: @pdf.bounds.width, cell_style: { inline_format: true, size: SMALL, padding: [3, 5], border_color: RULE,
                                                                    border_width: 0.5, width: @pdf.bounds.width / 2 })
      end

      def bullet(text, style: :normal)
        @pdf.draw_text "–", at: [0, @pdf.cursor - 8], style: style
        @pdf.indent(11) { @pdf.text text, style: style }
      end

      def grid(rows, widths)
        fixed = widths.compact.sum
        columns = widths.map { |width| width || (@pdf.bounds.width - fixed) }
        @pdf.table(rows, header: true, column_widths: columns,
                         cell_style: { size: SMALL, padding: [1.5, 4], border_color: RULE, border_width: 0.5 }) do
          row(0).font_style = :bold
        end
      end
    end
  end
end

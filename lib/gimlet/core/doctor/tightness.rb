# frozen_string_literal: true

require_relative "../6_tightening/ceiling"
require_relative "../6_tightening/words"
require_relative "../plain"
require_relative "remark"

module Gimlet::Core
  class Doctor
    # Torques beside each other and beside their threads.
    class Tightness
      include Saying

      # Key and width across flats by thread, in mm: ISO 4762 (socket head), ISO 7380-1 and ISO 10642 (button, countersunk) for keys; ISO 4014/4032,
      # DIN 931 and DIN 6921 for sockets. From memory.
      KEYS = { 3 => [2, 2.5], 4 => [2.5, 3], 5 => [3, 4], 6 => [4, 5], 8 => [5, 6], 10 => [6, 8], 12 => [8, 10], 14 => [10, 12], 16 => [10, 14],
               18 => [14], 20 => [12, 17], 24 => [14, 19] }.freeze
      SOCKETS = { 3 => [5.5], 4 => [7], 5 => [8], 6 => [8, 10], 8 => [10, 12, 13], 10 => [14, 15, 16, 17], 12 => [16, 17, 18, 19], 14 => [21, 22],
                  16 => [21, 22, 24], 18 => [27], 20 => [27, 30], 24 => [36] }.freeze
      DRIVE = /\A(hex|socket) (\d+(?:\.\d+)?)\z/
      THREAD = /\bM(\d+(?:\.\d+)?)\b/
      # Share of the value that a tolerance and a last pass may be, and how many passes anybody makes. Common practice, no source.
      TOLERANCE = 0.25
      LAST_PASS = 0.05
      PASSES = 12
      # How a value came about, for whoever has not read it anywhere.
      NOWHERE = %r{\A\W*(?:unknown|none|n/a|tbd|todo|guess\w*|estimat\w*|\?+|-+|x+)?\W*\z}i

      # @param series [Catalogue::Series]
      def initialize(series, _known)
        @series = series
      end

      # @return [Array<Remark>]
      def call
        @series.fasteners.flat_map do |one|
          [thread(one), drive(one), flange(one), one.tightenings.map do |how|
            value(one, how)
          end].flatten.compact
        end + twins
      end

      private

      def thread(fastener)
        said = fastener.name[THREAD, 1]&.to_f
        is = fastener.thread&.fetch("diameter_mm")
        return unthreaded(fastener) unless is
        if said && said != is
          return error("#{place(fastener)}.name",
                       "says M#{Plain.number(said)}, its thread is M#{Plain.number(is)}: one is wrong.")
        end

        tabled = Ceiling::PROOF_MPA.keys
        klass = fastener.thread["property_class"]
        return unless klass && !tabled.include?(klass)

        warning("#{place(fastener)}.thread",
                "property_class “#{klass}” is none of #{tabled.join(', ')}: nothing can be held against it.")
      end

      def unthreaded(fastener)
        return if fastener.tightenings.none?(&:torque)

        warning("#{place(fastener)}.thread",
                "is not on file, and there is a torque: say diameter_mm and pitch_mm, so that the value can be held against them.")
      end

      def drive(fastener)
        kind, size = fastener.drive.match(DRIVE)&.captures
        usual = (kind == "hex" ? KEYS : SOCKETS)[fastener.thread&.fetch("diameter_mm")] if kind
        return if usual.nil? || usual.include?(size.to_f) || headless?(fastener)

        warning("#{place(fastener)}.drive", "is #{fastener.drive}, and M#{Plain.number(fastener.thread['diameter_mm'])} takes #{usual.map do |one|
          "#{kind} #{Plain.number(one)}"
        end.join(' or ')}: " \
                                            "check both.")
      end

      # A plug or a cap has a thread of its own size.
      def headless?(fastener) = fastener.name.match?(/\b(?:caps?|plugs?|holder)\b/)

      # Where several bolts hold one piece the order matters.
      def flange(fastener)
        return unless fastener.pattern == :each && fastener.face && fastener.sets.any? { |set| set.points.size > 2 && set.points.none?(&:at) }

        warning("#{place(fastener)}.pattern", "is `each`, and several bolts hold one piece: say inner_to_outer, star, or the sheet's own order.")
      end

      def value(fastener, how)
        torque = how.torque or return
        value = torque.value.to_f
        [(if how.tolerance && how.tolerance.value > value * TOLERANCE
            "a tolerance of #{Plain.number(how.tolerance.value.to_f)} is more than a quarter of the value."
          end),
         nowhere(how), *passes(how, value)].compact.map do |text|
          warning(place(fastener), text)
        end
      end

      def nowhere(how)
        "its source is “#{how.source}”: say the document and the page, or kind none." if how.source.to_s.match?(NOWHERE)
      end

      def passes(how, value)
        steps = how.written["steps"] || how.written["step"]&.then { |step| [*step.step(value - (step / 1000.0), step), value] }
        return unless steps

        gain = steps.size > 1 ? steps[-1] - steps[-2] : value
        [("#{steps.size} passes are more than anybody makes (#{PASSES}): check the step." if steps.size > PASSES),
         ("the last pass adds #{Plain.number(gain, 1)} to #{Plain.number(steps[-2])}: check the step." if gain < value * LAST_PASS)]
      end

      # The same thread, drive and treatment, and another value.
      def twins
        single = @series.fasteners.select { |one| one.tightenings.size == 1 && one.tightenings.first.torque }
        single.combination(2).filter_map do |one, other|
          next unless alike?(one.name, other.name) && kind(one) == kind(other)
          next warning(place(other), "has another thread than #{one.id}, of the same drive: is one of them a slip?") if one.thread != other.thread
          if sizes(one) != sizes(other)
            next warning(place(other),
                         "has #{sizes(other).join(' and ')} points a piece, and #{one.id}, its like, #{sizes(one).join(' and ')}: is one lost?")
          end
          next if torque(one) == torque(other)

          warning(place(other), "is tightened to #{Tightening::Words.torque(torque(other))}, and #{one.id}, of the same thread and drive, to " \
                                "#{Tightening::Words.torque(torque(one))}: is one of them a slip?")
        end
      end

      def kind(fastener) = [fastener.drive, fastener.tightenings.first.kind, fastener.tightenings.first.treatment]
      # "Lower valve plugs" and "upper valve plugs".
      def alike?(one, other) = one.split.last == other.split.last
      def sizes(fastener) = fastener.sets.map { |set| set.points.size }.uniq
      def torque(fastener) = fastener.tightenings.first.torque
      def place(fastener) = "fasteners.#{fastener.id}"
    end
  end
end

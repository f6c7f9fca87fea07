# frozen_string_literal: true

require_relative "../core/plain"
require_relative "../core/1_catalogue/wet_end"
require_relative "identification"
require_relative "../core/ticket/kinds"

module Gimlet
  module Present
    # What was made of some words, said back.
    #
    #   ItemTexts.new(vocabulary, diagnosis).texts(item) # => ["head bolts 8"]
    class ItemTexts
      # @param vocabulary [Core::Readings::Vocabulary]
      # @param diagnosis [Core::Diagnosis::Model]
      def initialize(vocabulary, diagnosis)
        @vocabulary = vocabulary
        @diagnosis = diagnosis
      end

      # @param item [Core::Ticket::Item, Core::Ear::Item]
      # @return [Array<String>] one sentence for each thing
      def texts(item)
        readings = (item.readings || []).map { |fields| reading(fields) }
        measured = item.measure && Core::Ticket::Kinds::Measured.in_words(item.measure)
        readings + [measured, work(item.areas), complaint(item.complaint), sign(item), wish(item.wish),
                    work(item.except, "not"), seen(item.seen), item.pumps && "#{item.pumps} pumps", item.unit && "torques in #{item.unit}",
                    item.customer && "customer named", item.instead && "instead of “#{item.instead}”"].compact
      end

      private

      # A trait that the vocabulary has no more is said in the words it was heard in.
      def reading(fields)
        return fields[:heard] || fields[:trait] unless @vocabulary.traits.key?(fields[:trait].to_s)

        Core::Readings::Reading.from(fields, @vocabulary).to_s
      end

      def work(areas, how = "asked for") = areas && "#{how}: #{areas.map { |id| area(id) }.join(', ')}"
      def seen(words) = words && "seen now, no rating"
      def area(id) = Core::Catalogue::WORK_AREAS.fetch(id, Core::Plain.name(id))
      def complaint(id) = id && "complaint: #{@vocabulary.complaints[id]&.name || id}"
      def sign(item) = item.sign && "#{'not so: ' if item.absent}#{@diagnosis.signs[item.sign]&.name || Core::Plain.name(item.sign)}"
      def wish(id) = id && "wish: #{id}"
    end
  end
end

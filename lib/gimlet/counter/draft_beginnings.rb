# frozen_string_literal: true

require_relative "../core/drafting/rename"
require_relative "../core/input_error"

module Gimlet
  module Counter
    # What a draft begins as: a blank page, a series on file to be changed, one like it, or a pump that was seen.
    class DraftBeginnings
      # Everything that the format asks for and nothing said yet.
      BLANK = { "format" => "gimlet-catalogue", "version" => 2, "maker" => {}, "series" => {}, "traits" => {},
                **%w[models parts kits fits stacks areas groups fasteners tools consumables finish cautions faces sources].to_h do |list|
                  [list, []]
                end }.freeze
      NUMBERED = { "parts" => "number", "kits" => "number", "tools" => "number", "consumables" => "number", "models" => "designation" }.freeze

      # @param catalogue [Store::Catalogue]
      # @param vocabulary [Core::Readings::Vocabulary]
      def initialize(catalogue, vocabulary)
        @catalogue = catalogue
        @vocabulary = vocabulary
      end

      # @param request [Hash{String=>Object}] from, and series, maker, name, numbers
      # @param sighting [Sightings::Sighting, nil]
      # @return [Array(Hash, String|nil)] document, and the series that it would take the place of
      # @raise [Core::InputError]
      def call(request, sighting)
        case request["from"]
        when "series" then [on_file(request["series"]), request["series"]]
        when "like" then [like(on_file(request["series"]), request), nil]
        when "sighting" then [seen(sighting || reject("sighting", "There is no such sighting.")), nil]
        else [named(copy(BLANK), request), nil]
        end
      end

      private

      def on_file(id) = @catalogue.document(id.to_s) || reject("series", "There is no series “#{id}” in the catalogue.")
      def copy(document) = Marshal.load(Marshal.dump(document))

      def named(document, request)
        maker, name = request.values_at("maker", "name").map { |one| one.to_s.strip }
        maker.empty? && reject("maker", "Say who makes it.")
        name.empty? && reject("name", "Say what the series is called.")
        document.merge("maker" => { "id" => id(maker), "name" => maker },
                       "series" => { "id" => id("#{maker} #{name}"), "name" => name, **document["series"].except("id", "name", "abbreviations") })
      end

      # Other numbers and designations: each number belongs to one series.
      def like(document, request)
        was = document["series"]["name"]
        numbers = request["numbers"].to_s.strip
        numbers.empty? && reject("numbers", "Say what the numbers of the new series begin with.")
        begins = common(NUMBERED.except("models").flat_map { |list, key| (document[list] || []).filter_map { |row| row[key] } })
        fresh = named(document.except("sources", "serial_breaks"), request)
        NUMBERED.each do |list, key|
          (fresh[list] || []).select { |row| row[key] }.each do |row|
            before = row[key]
            row[key] = list == "models" ? before.sub(was, request["name"].strip) : "#{numbers}#{before.delete_prefix(begins)}"
            Core::Drafting::Rename.call(fresh, [list, before, key], before, row[key])
          end
        end
        unread(unbroken(fresh))
      end

      # Without its serial breaks, what stood on the older side of one is left out.
      def unbroken(value)
        case value
        when Array then value.reject { |one| one.is_a?(Hash) && one["for"].is_a?(Hash) && one["for"].key?("before") }.map { |one| unbroken(one) }
        when Hash
          cleaned = value.to_h { |key, one| [key, key == "for" ? one.except("from") : unbroken(one)] }
          cleaned["for"] == {} ? cleaned.except("for") : cleaned
        else value
        end
      end

      # What was read against another sheet was not read against this one.
      def unread(value)
        case value
        when Array then value.map { |one| unread(one) }
        when Hash then value.except("checked").transform_values { |one| unread(one) }
        else value
        end
      end

      # What was read off a pump becomes its traits; a plate its designation.
      def seen(sighting)
        rows = sighting.ticket.readings.map { |row| row.transform_keys(&:to_s) }
        told = rows.select { |row| row["value"] }.to_h { |row| row.values_at("trait", "value") }
        known = told.select { |trait, value| @vocabulary.traits[trait]&.then { |one| one.slot.nil? && !one.kind.free? && one.kind.keeps?(value) } }
        document = copy(BLANK).merge("traits" => known)
        told["plate"] ? document.merge("models" => [{ "designation" => told["plate"].to_s, "traits" => {} }]) : document
      end

      def common(words)
        return "" if words.empty?

        shortest, longest = words.minmax
        shortest.chars.zip(longest.chars).take_while { |one, other| one == other }.map(&:first).join[/\A[^\d]*/]
      end

      def id(words) = words.downcase.unicode_normalize(:nfd).gsub(/\p{M}/, "").gsub(/[^a-z0-9]+/, "-").gsub(/\A-+|-+\z/, "")
      def reject(field, sentence) = Core::InputError.reject(field, "bad_draft", sentence)
    end
  end
end

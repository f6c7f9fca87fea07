# frozen_string_literal: true

require_relative "../input_error"
require_relative "../value"
require_relative "trait"

module Gimlet::Core
  module Readings
    # What things are called: traits with their values, work, complaints and the small words of the counter.
    #
    #   vocabulary = Vocabulary.new("traits" => [...], "work" => [...], "complaints" => [...], "words" => {...})
    #   vocabulary.trait("plunger_mm").name # => "plunger diameter"
    class Vocabulary
      # `areas` are work area ids.
      Work = Value.of(:areas, :called)
      Complaint = Value.of(:id, :name, :phrases)

      # @return [Hash{String=>Trait}] in the order a specialist looks
      attr_reader :traits
      # @return [Array<Work>]
      attr_reader :work
      # @return [Hash{String=>Complaint}]
      attr_reader :complaints
      # @return [Hash{String=>Object}] kinds of small words
      attr_reader :words

      # @param rows [Hash] "traits", "work", "complaints" (arrays of rows) and "words" (hash), each may be left out
      # @raise [InputError]
      def initialize(rows)
        @rows = rows
        @traits = (rows["traits"] || []).to_h { |row| [row["id"], Trait.from(row)] }.freeze
        @work = (rows["work"] || []).map { |row| Work.new(areas: row["areas"], called: row["called"]) }.freeze
        @complaints = (rows["complaints"] || []).to_h { |row| [row["id"], Complaint.new(**row.transform_keys(&:to_sym))] }.freeze
        @words = (rows["words"] || {}).freeze
        complaints.each_value { |complaint| known_roles(complaint) }
        freeze
      end

      # @param rates [Hash{String=>Float}] how often each trait is mistaken at this counter
      # @return [Vocabulary]
      def mistaken(rates)
        return self if rates.empty?

        found = traits.to_h { |id, trait| [id, rates.key?(id) ? trait.with(mistaken: rates[id], practice: trait.mistaken) : trait] }
        dup.tap { |other| other.instance_variable_set(:@traits, found.freeze) }.freeze
      end

      # @param id [String]
      # @return [Trait]
      # @raise [InputError]
      def trait(id, field = "trait")
        traits[id.to_s] || InputError.reject(field, "unknown_trait", "“#{id}” is not a trait: use #{traits.keys.join(', ')}.")
      end

      # What a shop or a catalogue document adds: rows with a known id add names and synonyms, others are new.
      # @param more [Hash] as for `new`
      # @return [Vocabulary]
      def extended(more)
        return self if more.nil? || more.empty?

        self.class.new("traits" => merged("traits", more), "complaints" => merged("complaints", more),
                       "work" => (@rows["work"] || []) + (more["work"] || []), "words" => joined(@words, more["words"] || {}))
      end

      private

      # "@leaks" is any word of a role.
      def known_roles(complaint)
        roles = words["roles"] || {}
        complaint.phrases.flat_map { |phrase| phrase.scan(/@(\w+)/) }.flatten.uniq.reject { |role| roles.key?(role) }.each do |role|
          InputError.reject("complaints.#{complaint.id}.phrases", "unknown_role", "There is no role “@#{role}”: use #{roles.keys.join(', ')}.")
        end
      end

      def merged(key, more)
        all = (@rows[key] || []).to_h { |row| [row["id"], row] }
        (more[key] || []).each { |row| all[row["id"]] = all[row["id"]] ? joined(all[row["id"]], row) : row }
        all.values
      end

      # Lists and tables grow; what is one word stays as it was.
      def joined(one, two)
        one.merge(two) do |_, old, new|
          case old
          when Array then (old + Array(new)).uniq
          when Hash then joined(old, new)
          else old
          end
        end
      end
    end
  end
end

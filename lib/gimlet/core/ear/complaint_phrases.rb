# frozen_string_literal: true

require_relative "../value"
require_relative "token"

module Gimlet::Core
  module Ear
    # What callers complain of, as phrases by each of their words. Words of one phrase may stand in any order; `a|b` is one or the other,
    # `@leaks` any word of that role.
    module ComplaintPhrases
      # `words` are, for each place of the phrase, the words that may stand there.
      Phrase = Value.of(:id, :words)

      module_function

      # @param vocabulary [Readings::Vocabulary]
      # @return [Hash{String=>Array<Phrase>}] word => phrases that it is in
      def of(vocabulary)
        by_word(vocabulary.complaints.values.flat_map { |one| phrases(one.id, one.phrases, vocabulary) })
      end

      # @param signs [Array<Diagnosis::Sign>]
      # @return [Hash{String=>Array<Phrase>}] those of complaints too; the id is [sign, :said, :fine, or :rules, which counts only where it is
      #   denied]
      def with_signs(vocabulary, signs)
        complaints = vocabulary.complaints.values.flat_map { |one| phrases([one.id, :rules], one.phrases, vocabulary) }
        closer = %i[said fine].flat_map { |which| signs.flat_map { |sign| phrases([sign.id, which], sign.public_send(which), vocabulary) } }
        by_word(complaints + closer)
      end

      def phrases(id, written, vocabulary)
        roles = vocabulary.words["roles"] || {}
        written.map { |phrase| Phrase.new(id: id, words: words(phrase, roles)) }
      end

      def by_word(all)
        all.each_with_object({}) { |phrase, by| phrase.words.flat_map(&:keys).uniq.each { |word| (by[word] ||= []) << phrase } }
      end

      def words(phrase, roles)
        phrase.split.map do |word|
          word.split("|").flat_map { |other| other.start_with?("@") ? roles.fetch(other.delete_prefix("@")) : [other] }
              .to_h { |other| [Tokens.norm(other), true] }
        end
      end
    end
  end
end

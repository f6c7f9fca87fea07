# frozen_string_literal: true

require_relative "../input_error"

module Gimlet::Core
  module Desk
    # What somebody or something is called: one notion of it for customers, people, scripts and shops. Two names are the same when they are folded
    # alike: compatibility forms made one (NFKC), capitals made small in every script (Unicode's full case folding), blanks made single, what
    # nobody can see left out.
    #
    #   Name.read(" Östlund\u200B ")                          # => "Östlund"
    #   Name.folded("ÖSTLUND") == Name.folded("O\u0308stlund") # => true
    module Name
      # Ends of lines, bells, escapes, and what turns the writing round: these change what others are read as.
      DANGEROUS = /[\p{Cc}\u2028\u2029\u202A-\u202E\u2066-\u2069&&[^\t]]/
      # Unicode's format characters and fillers, which print nothing.
      UNSEEN = /[\p{Cf}\u034F\u115F\u1160\u17B4\u17B5\u180B-\u180F\u3164\uFE00-\uFE0F\uFFA0]/
      BLANKS = /[[:blank:]\u3000]+/

      module_function

      # @param text [String, nil] as typed
      # @return [String] as it is kept and shown: composed (NFC), nothing unseen in it
      # @raise [InputError] nothing of it can be seen, or it has what no name has
      def read(text, field: "name")
        text.to_s.match?(DANGEROUS) &&
          InputError.reject(field, "not_a_name", "A #{field} is one line of letters, figures and signs, and this one has a line break " \
                                                 "or a sign that steers: type it anew.")
        seen(text).tap do |name|
          name.empty? && InputError.reject(field, "missing", "Say what it is called: a #{field} has at least one letter or figure.")
        end
      end

      # @param text [String, nil]
      # @return [String] what names are compared and found by; empty of nothing
      def folded(text) = seen(text.to_s.unicode_normalize(:nfkc)).downcase(:fold).unicode_normalize(:nfkc)

      # @param texts [Array<String, nil>]
      # @return [String] what they are found by: folded, and where that differs also without accents, as it is typed in a hurry
      def words(*texts)
        told = folded(texts.join(" "))
        [told, told.unicode_normalize(:nfd).gsub(/\p{Mn}/, "")].uniq.join(" ")
      end

      # @return [String] what can be seen of it, on one line
      def seen(text) = text.to_s.gsub(DANGEROUS, " ").gsub(UNSEEN, "").gsub(BLANKS, " ").strip.unicode_normalize(:nfc)
    end
  end
end

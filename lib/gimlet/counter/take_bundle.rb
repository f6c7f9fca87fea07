# frozen_string_literal: true

require "digest"
require "json"
require_relative "../core/value"
require_relative "import_catalogue"

module Gimlet
  module Counter
    # What another shop gave, held against what is on file here: nothing older and nothing that this shop wrote itself is replaced without being named
    # and asked about.
    #
    #   taking = TakeBundle.new(catalogue, vocabulary)
    #   taking.standing(contents).reject(&:clear?).map(&:to_s) # => ["pellwick-tk4: this shop changed it itself, revision 3 of 2026-11-30 by Adela"]
    class TakeBundle
      # How a series of the bundle stands beside the one on file: `what` is one of WORDS, `last` the revision that is on file.
      Standing = Core::Value.of(:series, :what, :last) do
        # @return [Boolean] whether it may be taken without asking
        def clear? = %w[new same newer].include?(what)

        def to_s
          told = last && "revision #{last[:number]} of #{last[:at].to_date}, by #{last[:who]}"
          "#{series}: #{WORDS.fetch(what)}#{": #{told}" if told}"
        end
      end
      WORDS = { "new" => "is not on file here", "same" => "is on file already, just so", "newer" => "takes the place of what they gave before",
                "older" => "is older than what is on file", "own" => "would replace what this shop wrote itself" }.freeze

      # What the history of revisions says of a series that came in a bundle.
      NOTE = "bundle of %s, %s, made %s"
      OF_A_BUNDLE = /\Abundle of .*, (\h{4}(?: \h{4}){3}), made (\S+)\z/m

      # @param catalogue [Store::Catalogue]
      # @param vocabulary [Core::Readings::Vocabulary]
      def initialize(catalogue, vocabulary)
        @catalogue = catalogue
        @import = ImportCatalogue.new(catalogue, vocabulary)
      end

      # @param contents [Exchange::Bundle::Contents]
      # @return [Array<Standing>] one for each series in it
      def standing(contents)
        contents.series.map { |document| one(document, contents) }
      end

      # @return [ImportCatalogue::DryRun]
      def dry_run(contents) = @import.dry_run(documents(contents))

      # @param only [Array<String>] ids of the series that are taken
      # @return [Array<Core::Doctor::Remark>] warnings
      # @raise [Core::InputError] nothing was changed
      def call(contents, only)
        taken = documents(contents).select { |_, document| only.include?(document["series"]["id"]) }
        @import.call(taken, note: format(NOTE, contents.shop, contents.fingerprint, contents.at))
      end

      private

      def documents(contents) = contents.series.to_h { |document| ["bundle, #{document['series']['id']}", document] }

      def one(document, contents)
        id = document["series"]["id"]
        revisions = @catalogue.revisions(id)
        digest = Digest::SHA256.hexdigest(JSON.generate(document))
        Standing.new(series: id, what: what(revisions, digest, contents), last: revisions.first)
      end

      def what(revisions, digest, contents)
        last = revisions.first
        return "new" if last.nil?
        return "same" if last[:digest] == digest
        return "older" if revisions.any? { |row| row[:digest] == digest }

        fingerprint, at = last[:note].match(OF_A_BUNDLE)&.captures
        return "own" unless fingerprint == contents.fingerprint

        at < contents.at ? "newer" : "older"
      end
    end
  end
end

# frozen_string_literal: true

require "bundler/setup"
require "json"
require_relative "../core/input_error"
require_relative "../exchange/price_list"
require_relative "../present/catalogue_dry_run"
require_relative "../present/price_dry_run"
require_relative "../store/catalogue"
require_relative "../store/database"
require_relative "../store/stock"
require_relative "import_catalogue"
require_relative "current_reference"
require_relative "take_price_list"

module Gimlet
  module Counter
    # A process of its own that reads one uploaded file: how far it has come goes out line by line as JSON, last of all what came of it.
    #
    #   ruby upload_worker.rb '{"step":"dry_run","kind":"prices","file":"…","database":"…","who":"Adela"}'
    #   {"done":500,"of":30000}
    #   {"result":{"mark":"…","changed":3}}
    class UploadWorker
      # Lines between two that are said.
      EVERY = 500
      # Behind the counter, so that nobody there waits for it; not so far that a busy machine never comes to it.
      NICENESS = 10
      LONGEST_NESTING = 40

      # @param order [Hash{String=>Object}]
      # @param out [IO]
      def initialize(order, out)
        @order = order
        @out = out
        @database = Store.file(order["database"])
      end

      # @return [void]
      def call
        Process.setpriority(Process::PRIO_PROCESS, 0, NICENESS)
        say(result: @order["kind"] == "prices" ? prices : catalogue)
      rescue Core::InputError => e
        say(problem: { code: e.code, field: e.field, detail: e.message })
      rescue NoMemoryError, SystemStackError
        say(problem: { code: "too_much", field: "file",
                       detail: "Reading this file takes more memory than a file may: nothing was changed. Split it." })
      end

      private

      def say(**line)
        @out.puts(JSON.generate(line))
        @out.flush
      end

      # How many of how many, now and then.
      def progress(expected)
        ->(done) { say(done: done, of: [expected, done].max) if (done % EVERY).zero? }
      end

      def prices
        list = Exchange::PriceList.read(@order["file"], progress: progress(Exchange::SheetFile.lines_expected(@order["file"])))
        take = TakePriceList.new(Store::Stock.new(@database), Store::Catalogue.new(@database).snapshot)
        return Present::PriceDryRun.call(take.dry_run(list)) if @order["step"] == "dry_run"

        { taken: take.call(list, mark: @order["mark"], skip: @order["skip"], who: @order["who"]) }
      end

      def catalogue
        import = ImportCatalogue.new(Store::Catalogue.new(@database), CurrentReference.vocabulary_of(@database))
        documents = { "document" => document }
        return Present::CatalogueDryRun.call(import.dry_run(documents)) if @order["step"] == "dry_run"

        warnings = import.call(documents, who: @order["who"], mark: @order["mark"])
        { id: documents["document"]["series"]["id"], warnings: warnings.map { |finding| "#{finding.place}: #{finding.text}" } }
      end

      def document
        text = File.binread(@order["file"]).delete_prefix("\xEF\xBB\xBF".b).force_encoding(Encoding::UTF_8)
        (text.valid_encoding? && !text.include?("\0")) || reject("bad_text", "The document is not text in UTF-8: save it as UTF-8.")
        JSON.parse(text, max_nesting: LONGEST_NESTING, allow_duplicate_key: false)
      rescue JSON::ParserError => e
        reject("not_json", "The document is not valid JSON: #{e.message.lines.first.to_s.strip[0, 200]}. docs/catalogue-format.md shows one.")
      end

      def reject(code, sentence) = Core::InputError.reject("document", code, sentence)
    end
  end
end

Gimlet::Counter::UploadWorker.new(JSON.parse(ARGV.first), $stdout).call if $PROGRAM_NAME == __FILE__

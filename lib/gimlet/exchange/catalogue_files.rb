# frozen_string_literal: true

require "fileutils"
require "json"
require_relative "../core/input_error"

module Gimlet
  module Exchange
    # Catalogue documents as files, one for each series.
    #
    #   CatalogueFiles.read("pumps/")             # => {"pumps/ab.json" => {...}}
    #   CatalogueFiles.write(documents, "out/")   # => the files that were written
    module CatalogueFiles
      module_function

      # @param path [String] a file, or a folder of *.json files
      # @return [Hash{String=>Hash}] file => document, in the order of their names
      # @raise [Core::InputError] names the file
      def read(path)
        files = File.directory?(path) ? Dir[File.join(path, "*.json")].select { |file| File.file?(file) } : [path]
        if files.empty? || files.none? { |file| File.file?(file) }
          Core::InputError.reject(path, "no_files", "#{path}: there is no catalogue file here.")
        end
        files.to_h { |file| [file, parse(file)] }
      end

      # @param documents [Array<Hash>]
      # @return [Array<String>] the files written
      def write(documents, folder)
        FileUtils.mkdir_p(folder)
        documents.map do |document|
          path = File.join(folder, "#{document['series']['id']}.json")
          File.write(path, "#{JSON.pretty_generate(document)}\n")
          path
        end
      end

      def parse(file)
        text = File.read(file, encoding: "bom|utf-8")
        Core::InputError.reject(file, "not_utf8", "#{file} is not UTF-8 text: save it as UTF-8.") unless text.valid_encoding?
        JSON.parse(text, allow_duplicate_key: false)
      rescue JSON::ParserError => e
        Core::InputError.reject(file, "not_json", "#{file} is not valid JSON: #{e.message.lines.first.strip}.")
      end
    end
  end
end

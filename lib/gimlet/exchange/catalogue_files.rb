# frozen_string_literal: true

require "fileutils"
require "json"
require_relative "../core/input_error"

module Gimlet
  module Exchange
    # Catalogue documents as files, one for each series.
    module CatalogueFiles
      module_function

      # @param path [String] a file, or a folder of *.json files
      # @return [Array<Hash>] documents, in the order of their file names
      # @raise [Core::InputError] names the file
      def read(path)
        files = File.directory?(path) ? Dir[File.join(path, "*.json")] : [path]
        if files.empty? || files.none? { |file| File.file?(file) }
          Core::InputError.reject(path, "no_files", "#{path}: there is no catalogue file here.")
        end
        files.map { |file| parse(file) }
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
        JSON.parse(File.read(file))
      rescue JSON::ParserError => e
        Core::InputError.reject(file, "not_json", "#{file} is not valid JSON: #{e.message.lines.first.strip}.")
      end
    end
  end
end

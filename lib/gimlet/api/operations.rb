# frozen_string_literal: true

require_relative "contract"

module Gimlet
  module API
    # What is served, read from the OpenAPI document: which methods a path has, how long a body may be, which parameters there are.
    module Operations
      JSON_MEDIA = "application/json"
      METHODS = %w[get post].freeze
      # Bytes of a body where the document does not say (`x-max-bytes` of the request body).
      USUAL_BYTES = 65_536

      # `parameters` are the names that may stand in the query, `roles` those that may ask beside the owner; [:all] is everybody, signed in or not.
      # `media` is what a body is sent as.
      Operation = Core::Value.of(:id, :max_bytes, :parameters, :roles, :media)
      ANYONE = %w[counter bench keeper].freeze

      def self.operation(row, shared)
        parameters = (shared + (row["parameters"] || [])).map { |one| one["$ref"] ? Contract::DOCUMENT.dig(*one["$ref"].delete_prefix("#/").split("/")) : one }
        Operation.new(id: row["operationId"], max_bytes: row.dig("requestBody", "x-max-bytes") || USUAL_BYTES,
                      parameters: parameters.select { |one| one["in"] == "query" }.map { |one| one["name"] },
                      media: row.dig("requestBody", "content")&.keys&.first || JSON_MEDIA,
                      roles: row["x-roles"] == "all" ? [:all] : row["x-roles"] || ANYONE)
      end

      # [pattern of a path, { "GET" => Operation }]
      TABLE = Contract::DOCUMENT["paths"].map do |path, item|
        found = item.slice(*METHODS).to_h { |verb, row| [verb.upcase, operation(row, item["parameters"] || [])] }
        [/\A#{path.gsub(/\{\w+\}/) { '[^/]+' }.gsub('.', '\.')}\z/, found]
      end.freeze

      # @param path [String]
      # @return [Hash{String=>Operation}, nil] by method; nil where nothing is served
      def self.at(path) = TABLE.find { |pattern, _| path.match?(pattern) }&.last
    end
  end
end

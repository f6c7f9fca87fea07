# frozen_string_literal: true

require "digest"
require "json"
require "json_schemer"
require "yaml"
require_relative "../core/0_quantities/money"
require_relative "../core/0_quantities/units"
require_relative "../core/1_catalogue/inspection"
require_relative "../core/1_catalogue/layer"
require_relative "../core/2_readings/vocabulary"
require_relative "../core/3_teardown/extent"
require_relative "../core/5_kit_plan/plans"
require_relative "../core/input_error"
require_relative "../core/order/steps"
require_relative "../core/order/summary"
require_relative "../core/ticket/kinds"
require_relative "../core/roles"
require_relative "../core/verdicts"
require_relative "../exchange/reference_files"

module Gimlet
  module API
    # The OpenAPI document: what is served, and what requests are checked against. What the core declares, such as the kinds of a ticket's entries, is
    # filled in here.
    #
    #   OpenAPI.check("NewEntry", "kind" => "said") # raises: key cannot be used: it …
    module OpenAPI
      module_function

      # What every entry of a ticket is sent with.
      ENTRY = { "key" => { "type" => "string", "minLength" => 1, "maxLength" => 60, "description" => "Made by the client: the same counts once." },
                "who" => { "type" => "string", "minLength" => 1, "maxLength" => 40 } }.freeze

      # Schemas of what is one of a list that the rest of the application keeps.
      ENUMS = { "Role" => Core::Roles::ALL, "Medium" => Exchange::ReferenceFiles::TABLES.elastomers.media.keys,
                "Lubricant" => Core::Catalogue::LUBRICANTS, "TraitKind" => Core::Readings::Kinds::ALL.keys, "Extent" => Core::Extent::NAMES.keys,
                "Outcome" => Core::Catalogue::OUTCOMES.keys, "Channel" => Core::Readings::CHANNELS.keys, "Policy" => Core::KitPlan::POLICIES.keys,
                "Verdict" => Core::Verdicts::ALL, "OrderState" => Core::Order::States.ids, "StepId" => Core::Order::Steps::ALL.keys,
                "Currency" => Core::Money::SIGNS.keys, "TorqueUnit" => Core::Units::FACTORS.fetch(:torque).keys }.freeze

      # @param kind [Class] a Core::Ticket::Kind, or a Core::Order::Step
      # @return [Hash] the schema of what is sent
      def entry_schema(kind)
        sent = kind.schema
        { "type" => "object", "additionalProperties" => false, "required" => %w[kind key] + sent["required"],
          "properties" => { "kind" => { "type" => "string", "const" => kind.id }, **ENTRY, **sent["properties"] },
          **sent.except("required", "properties") }
      end

      def completed(document)
        schemas = document["components"]["schemas"]
        document["paths"].each_value { |path| path.slice("get", "post").each_value { |row| row["x-roles"] = roles(row["x-right"]) } }
        schemas["OrderSummary"] = Core::Order::Summary.schema
        Core::Catalogue::LayerFields::TOLD.each_key { |field| schemas["StackLayer"]["properties"][field] = { "type" => %w[string null] } }
        ENUMS.each { |name, values| schemas[name] = { "type" => "string", "enum" => values } }
        of_kinds(schemas, "NewEntry", Core::Ticket::Kinds::ALL.values.select(&:sent?), "Entry")
        of_kinds(schemas, "NewStep", Core::Order::Steps.sent, "Step")
        document
      end

      # For whoever reads the document: who has that right.
      def roles(right) = right == "none" ? "all" : Core::Roles.with(right).map(&:id)

      # A schema that is one of several, each of a kind that the core declares.
      def of_kinds(schemas, whole, kinds, suffix)
        names = kinds.to_h { |kind| [kind, "#{kind.id.split('_').map(&:capitalize).join}#{suffix}"] }
        names.each { |kind, name| schemas[name] = entry_schema(kind) }
        refs = names.to_h { |kind, name| [kind.id, "#/components/schemas/#{name}"] }
        schemas[whole]["oneOf"] = refs.values.map { |ref| { "$ref" => ref } }
        schemas[whole]["discriminator"]["mapping"] = refs
      end

      DOCUMENT = completed(YAML.load_file(File.expand_path("openapi.yml", __dir__))).freeze
      # An answer kept by a browser is no answer of the next version.
      DIGEST = Digest::SHA256.hexdigest(JSON.generate(DOCUMENT))[0, 12]
      SCHEMAS = JSONSchemer.openapi(DOCUMENT)

      # @param name [String] under components/schemas
      # @param body [Object] parsed JSON with string keys
      # @raise [Core::InputError] names the field and what it should be
      def check(name, body)
        fault = SCHEMAS.schema(meant(name, body)).validate(body).first or return
        field = fault["data_pointer"].delete_prefix("/").gsub(%r{/(\d+)}, '[\1]').tr("/", ".")
        field = [field, *fault.dig("details", "missing_keys")&.first].reject(&:empty?).join(".")
        raise Core::InputError.new(sentence(field, fault), field: field, code: "bad_request")
      end

      # @return [Boolean] whether bodies of a schema may have it
      def property?(name, body, key) = schema(meant(name, body)).dig("properties", key) ? true : false

      # Where one property says which of several schemas is meant, that one is checked: its faults can be named.
      def meant(name, body)
        told = schema(name)["discriminator"] or return name
        property, mapping = told.values_at("propertyName", "mapping")
        value = body.is_a?(Hash) ? body[property] : nil
        mapping.fetch(value) do
          Core::InputError.reject(property, "bad_request", "#{property} cannot be used: it is not one of #{mapping.keys.join(', ')}.")
        end.split("/").last
      end

      def schema(name) = DOCUMENT.dig("components", "schemas", name)

      def sentence(field, fault)
        return "#{field} is missing: send it too." if fault["type"] == "required"

        what = fault["error"].sub(/\A.*? at (?:root|`[^`]*`) /, "")
        "#{field.empty? ? 'The request' : field} cannot be used: it #{what}."
      end
    end
  end
end

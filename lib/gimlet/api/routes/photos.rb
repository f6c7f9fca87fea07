# frozen_string_literal: true

require_relative "../../counter/workshop"

module Gimlet
  module API
    module Routes
      # Photos that are kept with a ticket.
      module Photos
        # What routes here need besides the application's own.
        module Helpers
          # @return [String] what was sent, where it is no longer than may be
          def whole_file
            bytes = parsed_body.read(operation.max_bytes + 1).to_s
            bytes.bytesize <= operation.max_bytes ||
              Core::InputError.reject("photo", "too_large",
                                      "The picture is larger than the #{operation.max_bytes / 1_048_576} MB that are taken here.")
            bytes
          end

          def photos_of(ticket) = photos.of(ticket).map { |row| { id: row[:id], at: row[:at].iso8601, who: row[:who] } }

          def add_photo(ticket, bytes)
            photos.of(ticket).size < Store::Photos::MOST ||
              Core::InputError.reject("photo", "too_many", "A ticket keeps #{Store::Photos::MOST} photos: take one off first.")
            photos.add(ticket, Gimlet::Counter::Workshop.shared.call("Gimlet::Exchange::Jpeg", bytes, verb: :bare), who: person&.name || "counter")
          end
        end

        def self.registered(app)
          app.helpers Helpers
          app.serve("photos") { |id| known_ticket(id) && render_json(photos_of(id)) }

          app.serve("addPhoto") do |id|
            known_ticket(id)
            add_photo(id, whole_file)
            render_json(photos_of(id), 201)
          end

          app.serve("photo") do |id|
            jpeg = photos.jpeg(id) || missing("There is no photo #{id}.")
            content_type "image/jpeg"
            jpeg
          end

          app.serve("removePhoto") do |id|
            body_as("Nothing")
            photos.remove(id) || missing("There is no photo #{id}.")
            render_json({})
          end
        end
      end
    end
  end
end

# frozen_string_literal: true

require_relative "../core/input_error"

module Gimlet
  module Exchange
    # A JPEG file without what cameras write beside the picture: place, time, owner, thumbnail.
    # Source of the markers: ITU-T T.81, annex B (from memory).
    #
    #   Jpeg.bare(File.binread("pump.jpg")) # => bytes
    module Jpeg
      START = "\xFF\xD8".b
      SCAN = 0xDA
      # Segments before the picture itself; a camera writes a few dozen (common practice, no source).
      MOST_SEGMENTS = 1000
      # APP1 to APP15 and comments. APP0 only says that it is a JPEG, APP14 how its colours are coded.
      DROPPED = ((0xE1..0xEF).to_a - [0xEE] + [0xFE]).freeze

      module_function

      # @param bytes [String]
      # @return [String]
      # @raise [Core::InputError] where it is no JPEG
      def bare(bytes)
        bytes = bytes.b
        bytes.start_with?(START) || refuse
        kept = [START]
        at = 2
        MOST_SEGMENTS.times do
          marker, length = segment(bytes, at)
          return (kept << bytes.byteslice(at..)).join if marker == SCAN

          kept << bytes.byteslice(at, length + 2) unless DROPPED.include?(marker)
          at += length + 2
        end
        refuse
      end

      # @return [Array(Integer, Integer)] the marker's code, and the length that it gives itself
      def segment(bytes, at)
        lead, marker, length = bytes.byteslice(at, 4)&.unpack("CCn")
        whole = lead == 0xFF && length && length >= 2 && at + 2 + length <= bytes.bytesize
        whole ? [marker, length] : refuse
      end

      def refuse = Core::InputError.reject("photo", "no_jpeg", "This is no JPEG picture: choose a photo, or take one with the camera.")
    end
  end
end

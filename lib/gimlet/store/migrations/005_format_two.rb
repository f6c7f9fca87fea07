# frozen_string_literal: true

# Catalogue documents are in format 2 from here on; those in format 1 are not read any more and are imported anew.
Sequel.migration do
  up { from(:series).where(Sequel.like(:document, '%"version":1,%')).delete }
  down { nil }
end

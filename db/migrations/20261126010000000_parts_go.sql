-- A part or a hardware revision that nothing refers to may be taken away again: a slip of the pen stays no longer.
grant delete on component, hardware_revision to mossy_app;
create trigger component_gone after delete on component
  referencing old table as changed for each statement execute function stamp_model_of_component();

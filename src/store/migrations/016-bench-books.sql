-- What has to be done says from which boards and of which parts now: it is worked out again where that was not said.
UPDATE standing SET version = -1;

import { configure } from "@testing-library/react";

/** A busy machine may be slow to answer; what never comes is still found out. */
configure({ asyncUtilTimeout: 10_000 });

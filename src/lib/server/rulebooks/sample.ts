/** Books to begin from. */
import type { PlainDate } from '#core/dates/plain.ts';

/** A court's book of which nothing is said yet but the day, where one is written as a form. */
export const begunBook = (today: PlainDate): string => `version: "${today.slice(0, 7)}"
sort: court
reviewed: "${today}"
`;

/** A book that shows how one is written as YAML. */
export const sampleBook = (today: PlainDate): string => `book: own.example
title: An example of a book
short: Example
version: "1"
sort: transaction
reviewed: "${today}"
counts: us-agency
events:
  - event: signing
    ahead: date
    deadlines:
      - title: deliver the disclosure letter
        authority: Agreement, section 4.2
        act: serve
        count: -5cd
        examples:
          - { date: "2026-12-01", gives: "2026-11-23" }
`;

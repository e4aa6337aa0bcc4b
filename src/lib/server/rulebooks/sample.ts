/** A book to begin from, where one is written as YAML. */
import type { PlainDate } from '#core/dates/plain.ts';

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

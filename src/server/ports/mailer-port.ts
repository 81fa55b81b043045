/** A message to one person, as plain text. */
export interface Mail {
  to: string;
  subject: string;
  text: string;
}

/** What carries messages. `send` fails when it could not hand the message on. */
export interface Mailer {
  /** It carries nothing: messages stay in the department's outbox, where they can be read. */
  kept: boolean;
  send: (mail: Mail) => Promise<void>;
}

/** The stand-in: what is sent stays in the outbox. */
export const standInMailer: Mailer = { kept: true, send: () => Promise.resolve() };

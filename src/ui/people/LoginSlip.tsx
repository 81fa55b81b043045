interface Props {
  name: string;
  userName: string;
  password: string;
  course?: string;
}

/** What somebody signs in with, to be cut out and handed over. */
export function LoginSlip({ name, userName, password, course }: Props) {
  return (
    <li>
      <p dir="auto">
        <b>{name}</b>
      </p>
      {course !== undefined && <p className="soft">{course}</p>}
      <p className="mt-2">
        User name <span className="mono">{userName}</span>
      </p>
      <p>
        Password <span className="mono">{password}</span>
      </p>
    </li>
  );
}

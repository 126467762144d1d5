import { useState } from "react";

interface Props {
  title: string;
  html: string;
}

/** A mail's HTML as a mail program would show it: in a frame of its own that may run nothing and load nothing. */
export function MailFrame({ title, html }: Props) {
  const [height, setHeight] = useState(480);
  return (
    <iframe
      title={title}
      srcDoc={html}
      sandbox="allow-same-origin allow-popups"
      className="on-paper w-full"
      style={{ height, colorScheme: "light" }}
      onLoad={(event) => {
        const page = event.currentTarget.contentDocument?.documentElement;
        if (page) setHeight(page.scrollHeight);
      }}
    />
  );
}

import { useState } from "react";

interface Props {
  title: string;
  html: string;
}

const HEAD = /<head[^>]*>/i;

/** Links open beside the application, as from a mail program, and not in the small frame. */
const opensBeside = (html: string) => html.replace(HEAD, (head) => `${head}<base target="_blank">`);

/** A mail's HTML as a mail program would show it: in a frame of its own that may run nothing and load nothing. */
export function MailFrame({ title, html }: Props) {
  const [height, setHeight] = useState(480);
  return (
    <iframe
      title={title}
      srcDoc={opensBeside(html)}
      sandbox="allow-same-origin allow-popups allow-popups-to-escape-sandbox"
      className="on-paper w-full"
      style={{ height, colorScheme: "light" }}
      onLoad={(event) => {
        const page = event.currentTarget.contentDocument?.documentElement;
        if (page) setHeight(page.scrollHeight);
      }}
    />
  );
}

import type { Api } from "../api/client";
import { useRead } from "../api/use";

/** The folders into which one may publish. */
export function usePublishable(): Api["FolderView"][] {
  const library = useRead<Api["LibraryView"]>("library?words=");
  return library.data?.folders.filter((folder) => folder.mayPublish) ?? [];
}

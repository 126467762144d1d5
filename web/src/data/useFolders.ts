import type { Api } from "../api/client";
import { useRead } from "../api/use";

type Folder = Api["FolderView"];

/** The folders, of which one may publish into some. */
export const useFolders = () => useRead<Api["LibraryView"]>("library?words=");

export const publishable = (folders: Folder[]) => folders.filter((folder) => folder.mayPublish);

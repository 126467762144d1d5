import { lazy, Suspense, useState } from "react";
import { Navigate, Route, Routes, useLocation } from "react-router";
import { ClippingPage } from "./clippings/ClippingPage";
import { ClippingsPage } from "./clippings/ClippingsPage";
import { ComposerPage } from "./composer/ComposerPage";
import { DataSetPage } from "./data/DataSetPage";
import { DataSetsPage } from "./data/DataSetsPage";
import { NewDataSetPage } from "./data/NewDataSetPage";
import { HousePage } from "./house/HousePage";
import { IssuePage } from "./issue/IssuePage";
import { RunPage } from "./issue/RunPage";
import { Frame } from "./kit/Frame";
import { Loaded } from "./kit/Loaded";
import { NotHere } from "./kit/NotHere";
import { mindsHouse, useSession } from "./kit/useSession";
import { useTabOf } from "./kit/useTabOf";
import { LibraryPage } from "./library/LibraryPage";
import { MailRoomPage } from "./mailroom/MailRoomPage";
import { NamedPage } from "./named/NamedPage";
import { ReaderPage } from "./reader/ReaderPage";
import { ShelfPage } from "./shelf/ShelfPage";
import { AccountPage } from "./signin/AccountPage";
import { AddressChangePage } from "./signin/AddressChangePage";
import { ForgottenPage } from "./signin/ForgottenPage";
import { InvitationPage } from "./signin/InvitationPage";
import { SignInPage } from "./signin/SignInPage";
import { SubscriptionPage } from "./subscriptions/SubscriptionPage";
import { SubscriptionsPage } from "./subscriptions/SubscriptionsPage";
import { words } from "./words";

/** Its editor is as large as all the rest, and few write reports. */
const EditorPage = lazy(() => import("./editor/EditorPage"));

const writing = (
  <Suspense fallback={<p role="status">{words.loading}</p>}>
    <EditorPage />
  </Suspense>
);

/** Every address of the application and what stands there. */
export function App() {
  const session = useSession();
  const location = useLocation();
  const isOthers = useTabOf(session.data?.me ?? null);
  const [wasSignedIn, setSignedIn] = useState(false);
  if (session.data?.me && !wasSignedIn) setSignedIn(true);
  if (isOthers) return null;
  return (
    <Loaded query={session}>
      {({ me, demo }) => (
        <Routes>
          <Route path="/invitations/:token" element={<InvitationPage />} />
          <Route path="/forgotten-password" element={<ForgottenPage />} />
          <Route path="/address-changes/:token" element={<AddressChangePage />} />
          <Route path="/sign-in" element={<SignInPage demo={demo} signedIn={me !== null} />} />
          {me ? (
            <Route element={<Frame me={me} demo={demo} />}>
              <Route path="/" element={<ShelfPage />} />
              <Route path="/library/:folder?" element={<LibraryPage />} />
              <Route path="/clippings" element={<ClippingsPage />} />
              <Route path="/clippings/:id" element={<ClippingPage />} />
              <Route path="/reports/new" element={writing} />
              <Route path="/reports/:id" element={<ReaderPage />} />
              <Route path="/reports/:id/edit" element={writing} />
              <Route path="/data" element={<DataSetsPage />} />
              <Route path="/data/new" element={<NewDataSetPage />} />
              <Route path="/data/:id" element={<DataSetPage />} />
              <Route path="/named" element={<NamedPage />} />
              <Route path="/compose" element={<ComposerPage />} />
              <Route path="/subscriptions" element={<SubscriptionsPage />} />
              <Route path="/subscriptions/:id" element={<SubscriptionPage />} />
              <Route path="/issues/:id" element={<IssuePage />} />
              <Route path="/runs/:id" element={<RunPage />} />
              {mindsHouse(me) && <Route path="/house/:part?" element={<HousePage />} />}
              {demo && <Route path="/mail-room/:address?" element={<MailRoomPage />} />}
              <Route path="/account" element={<AccountPage />} />
              <Route path="*" element={<NotHere />} />
            </Route>
          ) : (
            <Route
              path="*"
              element={<Navigate to="/sign-in" replace state={{ from: location, ended: wasSignedIn }} />}
            />
          )}
        </Routes>
      )}
    </Loaded>
  );
}

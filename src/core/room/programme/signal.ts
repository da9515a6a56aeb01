/** What two browsers tell one another to make a link (W3C WebRTC 1.0 §4.3, §4.8); `want`: somebody would hear and see. */
export type Signal =
  | { readonly want: true }
  | { readonly description: { readonly type: "offer" | "answer" | "pranswer" | "rollback"; readonly sdp: string } }
  | {
      readonly candidate: {
        readonly candidate: string;
        readonly sdpMid: string | null;
        readonly sdpMLineIndex: number | null;
      } | null;
    };
